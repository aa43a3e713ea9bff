package org.grammatus.core.plan.planner;

import java.util.List;
import java.util.stream.Collectors;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/**
 * The expression that a filter stands for, so that a built condition means what its typed form means. On timestamps a date
 * stands for its whole day; built exclusions keep rows in which the field is blank.
 */
public final class FilterText {

    private static final Position START = new Position(1, 1);
    /** Of a day as it is written: 2026-01-31. */
    private static final int DAY_LENGTH = 10;

    private final ReportFilter.Condition filter;
    private final String field;
    private final Type type;
    /** Whether it compares with a day that is asked for. */
    private final boolean asksForDay;
    /** Whether it compares with any number of values that are asked for, blanks perhaps among them. */
    private final boolean asksForSeveral;
    /** Whether small letters are taken for capitals. */
    private final boolean folded;

    private FilterText(ReportFilter.Condition filter, FilterScope scope) {
        this.filter = filter;
        this.type = scope.typeOf(filter.field());
        this.asksForDay = scope.asksForDay(filter);
        this.asksForSeveral = scope.asksForSeveral(filter);
        this.folded = filter.ignoreCase().orElse(false) && type.kind() == Kind.TEXT && !asksForSeveral;
        this.field = folded(quotedName(filter.field()));
    }

    /**
     * A filter in its typed form.
     *
     * @throws ProblemException if a value does not fit the field
     */
    public static String of(ReportFilter filter, FilterScope scope) {
        return switch (filter) {
            case ReportFilter.Typed typed -> typed.where();
            case ReportFilter.OfPeriod asked -> period(asked);
            case ReportFilter.Condition built -> new FilterText(built, scope).condition();
            case ReportFilter.Several several -> several(several, scope, false);
            case ReportFilter.Top top -> "TRUE";
            case RelatedFilter related -> RelatedText.of(related, scope);
        };
    }

    /**
     * What the rows meet that a filter drops. A built filter drops whatever does not meet it, blanks among it, so that its exclusion keeps
     * them; what is typed keeps the logic of SQL.
     */
    static String excluded(ReportFilter filter, FilterScope scope) {
        return switch (filter) {
            case ReportFilter.Typed typed -> "NOT (" + typed.where() + ")";
            case ReportFilter.OfPeriod asked -> {
                // One condition, of which an open end stays unbounded where it is turned round.
                String day = scope.typeOf(asked.field()).kind() == Kind.TIMESTAMP
                        ? "CAST(" + quotedName(asked.field()) + " AS DATE)"
                        : quotedName(asked.field());
                String ends = " NOT BETWEEN :" + asked.prompt() + "_from AND :" + asked.prompt() + "_to";
                yield day + ends + orNull(quotedName(asked.field()));
            }
            case ReportFilter.Condition built -> new FilterText(built, scope).excluded();
            case ReportFilter.Several several -> several(several, scope, true);
            case ReportFilter.Top top -> "TRUE";
            case RelatedFilter related -> "NOT (" + RelatedText.of(related, scope) + ")";
        };
    }

    /** All, any or none of the parts that are switched on; without any, nothing is restricted. */
    static String several(ReportFilter.Several several, FilterScope scope, boolean excluded) {
        boolean eachExcluded = several.kind() == FilterKind.NONE != excluded;
        boolean all = several.kind() != FilterKind.ANY != excluded;
        List<String> parts = several.filters().stream()
                .filter(part -> !part.isOff())
                .map(part -> eachExcluded ? excluded(part, scope) : of(part, scope))
                .toList();
        return parts.isEmpty()
                ? "TRUE"
                : parts.size() == 1
                        ? parts.getFirst()
                        : parts.stream().collect(Collectors.joining(all ? ") AND (" : ") OR (", "(", ")"));
    }

    /** A period reaches from its first day 00:00 up to, not including, the day after its last: the last day counts whole. */
    private static String period(ReportFilter.OfPeriod asked) {
        String field = quotedName(asked.field());
        String prompt = ":" + asked.prompt();
        return field + " >= " + prompt + "_from AND " + field + " < " + prompt + "_to + INTERVAL '1' DAY";
    }

    static String quotedName(String id) {
        return '"' + id + '"';
    }

    /** Or something that is compared is blank. */
    private String blank() {
        return orNull(quotedName(filter.field()))
                + filter.other().map(id -> orNull(quotedName(id))).orElse("");
    }

    private static String orNull(String field) {
        return " OR " + field + " IS NULL";
    }

    private String excluded() {
        return switch (filter.comparison()) {
            // Turned round as a whole, so that one without an answer restricts nothing either way.
            case IS_NOT -> condition(FilterComparison.IS);
            case DOES_NOT_CONTAIN -> condition(FilterComparison.CONTAINS);
            case BLANK -> condition(FilterComparison.NOT_BLANK);
            case NOT_BLANK -> condition(FilterComparison.BLANK);
            case IS -> asksForSeveral ? condition(FilterComparison.IS_NOT) : negated();
            default -> negated();
        };
    }

    private String negated() {
        return "NOT (" + condition() + ")" + blank();
    }

    /** All rows but those that meet the answer: a blank field meets it where the answer names blanks, so that no row meets both. */
    private String noneOf(List<String> values) {
        return "NOT COALESCE(" + oneOf(values, "") + ", FALSE)";
    }

    private String condition() {
        return condition(filter.comparison());
    }

    private String condition(FilterComparison comparison) {
        List<String> values = filter.prompt()
                .map(prompt -> List.of(":" + prompt))
                .or(() -> filter.other().map(id -> List.of(quotedName(id))))
                .or(filter::values)
                .orElse(List.of());
        boolean days = type.kind() == Kind.TIMESTAMP && (asksForDay || !isReference() && allDays(values));
        if (comparison == FilterComparison.BETWEEN && filter.prompt().isPresent()) {
            return field + " BETWEEN :" + filter.prompt().get() + "_from AND :"
                    + filter.prompt().get() + "_to";
        }
        return switch (comparison) {
            case IS -> days ? anyDay(values) : oneOf(values, "");
            case IS_NOT ->
                asksForSeveral
                        ? noneOf(values)
                        : days ? orBlank("NOT (" + anyDay(values) + ")") : orBlank(oneOf(values, "NOT "));
            case LESS -> field + " < " + literal(values.getFirst());
            case AT_MOST -> atMost(values.getFirst(), days);
            case MORE ->
                days ? field + " >= " + dayAfter(values.getFirst()) : field + " > " + literal(values.getFirst());
            case AT_LEAST -> field + " >= " + literal(values.getFirst());
            case BETWEEN -> field + " >= " + literal(values.getFirst()) + " AND " + atMost(values.getLast(), days);
            case CONTAINS -> like(values.getFirst(), "%", "");
            case DOES_NOT_CONTAIN -> orBlank(like(values.getFirst(), "%", "NOT "));
            case STARTS_WITH -> like(values.getFirst(), "", "");
            case BLANK -> quotedName(filter.field()) + " IS NULL";
            case NOT_BLANK -> quotedName(filter.field()) + " IS NOT NULL";
        };
    }

    /** Whether it compares with something that has a name, not with values. */
    private boolean isReference() {
        return filter.prompt().isPresent() || filter.other().isPresent();
    }

    private String atMost(String value, boolean days) {
        return days ? field + " < " + dayAfter(value) : field + " <= " + literal(value);
    }

    private String oneOf(List<String> values, String not) {
        return field + " " + not + values.stream().map(this::literal).collect(Collectors.joining(", ", "IN (", ")"));
    }

    private String anyDay(List<String> values) {
        return values.stream()
                .map(value -> "(" + field + " >= " + literal(value) + " AND " + field + " < " + dayAfter(value) + ")")
                .collect(Collectors.joining(" OR "));
    }

    private String dayAfter(String value) {
        return literal(value) + " + INTERVAL '1' DAY";
    }

    private String orBlank(String condition) {
        return condition + blank();
    }

    private String like(String value, String before, String not) {
        if (type.kind() != Kind.TEXT) {
            throw new ProblemException(Problem.error(
                    "/comparison", "the field is a " + type + "; only texts are searched for a part of them"));
        }
        if (isReference()) {
            // What a reader types is sought as it stands: nothing in it is a pattern.
            String found = "POSITION(" + folded(value) + " IN " + field + ")" + (before.isEmpty() ? " = 1" : " > 0");
            return not.isEmpty() ? found : "NOT (" + found + ")";
        }
        String escaped = value.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
        return field + " " + not + "LIKE " + folded(quoted(before + escaped + "%")) + " ESCAPE '\\'";
    }

    private String literal(String value) {
        if (isReference()) {
            return folded(value);
        }
        try {
            if (type.isTime() && RelativeDay.expression(value).isPresent()) {
                return RelativeDay.expression(value).get();
            }
            Type read = type.kind() == Kind.TIMESTAMP && isDay(value) ? Type.DATE : type;
            Scalar scalar = ScalarText.parse(value, read);
            return folded(ExpressionPrinter.print(new Expression.Literal(scalar, START)));
        } catch (IllegalArgumentException e) {
            throw new ProblemException(Problem.error("/values", e.getMessage()));
        }
    }

    /** In small letters where these are taken for the same as capitals. */
    private String folded(String text) {
        return folded ? "LOWER(" + text + ")" : text;
    }

    private static boolean allDays(List<String> values) {
        return values.stream().allMatch(FilterText::isDay);
    }

    private static boolean isDay(String value) {
        return value.trim().length() <= DAY_LENGTH
                || RelativeDay.expression(value).isPresent();
    }

    private static String quoted(String text) {
        return "'" + text.replace("'", "''") + "'";
    }
}
