package org.grammatus.core.plan.planner;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
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

    private final ReportFilter.Condition filter;
    private final String field;
    private final Type type;
    /** Whether it compares with a day that is asked for. */
    private final boolean asksForDay;

    private FilterText(ReportFilter.Condition filter, Type type, boolean asksForDay) {
        this.asksForDay = asksForDay;
        this.filter = filter;
        this.field = quotedName(filter.field());
        this.type = type;
    }

    /**
     * A filter in its typed form.
     *
     * @throws ProblemException if a value does not fit the field
     */
    public static String of(ReportFilter filter, DatasetModel dataset, List<ReportPrompt> prompts) {
        return switch (filter) {
            case ReportFilter.Typed typed -> typed.where();
            case ReportFilter.OfPeriod asked -> period(asked);
            case ReportFilter.Condition built ->
                new FilterText(built, dataset.typeOf(built.field()).orElse(Type.TEXT), asksForDay(built, prompts))
                        .condition();
        };
    }

    /** A period reaches from its first day 00:00 up to, not including, the day after its last: the last day counts whole. */
    private static String period(ReportFilter.OfPeriod asked) {
        String field = quotedName(asked.field());
        String prompt = ":" + asked.prompt();
        return field + " >= " + prompt + "_from AND " + field + " < " + prompt + "_to + INTERVAL '1' DAY";
    }

    private static boolean asksForDay(ReportFilter.Condition filter, List<ReportPrompt> prompts) {
        return prompts.stream()
                .anyMatch(prompt ->
                        prompt.type() == PromptType.DATE && filter.prompt().equals(Optional.of(prompt.name())));
    }

    private static String quotedName(String id) {
        return '"' + id + '"';
    }

    private String condition() {
        List<String> values = filter.prompt().isPresent()
                ? List.of(":" + filter.prompt().get())
                : filter.values().orElse(List.of());
        boolean days =
                type.kind() == Kind.TIMESTAMP && (asksForDay || filter.prompt().isEmpty() && allDays(values));
        if (filter.comparison() == FilterComparison.BETWEEN && filter.prompt().isPresent()) {
            return field + " BETWEEN :" + filter.prompt().get() + "_from AND :"
                    + filter.prompt().get() + "_to";
        }
        return switch (filter.comparison()) {
            case IS -> days ? anyDay(values) : oneOf(values, "");
            case IS_NOT -> days ? orBlank("NOT (" + anyDay(values) + ")") : orBlank(oneOf(values, "NOT "));
            case LESS -> field + " < " + literal(values.getFirst());
            case AT_MOST -> atMost(values.getFirst(), days);
            case MORE ->
                days ? field + " >= " + dayAfter(values.getFirst()) : field + " > " + literal(values.getFirst());
            case AT_LEAST -> field + " >= " + literal(values.getFirst());
            case BETWEEN -> field + " >= " + literal(values.getFirst()) + " AND " + atMost(values.getLast(), days);
            case CONTAINS -> like(values.getFirst(), "%", "");
            case DOES_NOT_CONTAIN -> orBlank(like(values.getFirst(), "%", "NOT "));
            case STARTS_WITH -> like(values.getFirst(), "", "");
            case BLANK -> field + " IS NULL";
            case NOT_BLANK -> field + " IS NOT NULL";
        };
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
        return condition + " OR " + field + " IS NULL";
    }

    private String like(String value, String before, String not) {
        if (type.kind() != Kind.TEXT) {
            throw new ProblemException(Problem.error(
                    "/comparison", "the field is a " + type + "; only texts are searched for a part of them"));
        }
        if (value.startsWith(":")) {
            // What a reader types is sought as it stands: nothing in it is a pattern.
            String found = "POSITION(" + value + " IN " + field + ")" + (before.isEmpty() ? " = 1" : " > 0");
            return not.isEmpty() ? found : "NOT (" + found + ")";
        }
        String escaped = value.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
        return field + " " + not + "LIKE " + quoted(before + escaped + "%") + " ESCAPE '\\'";
    }

    private String literal(String value) {
        if (filter.prompt().isPresent()) {
            return value;
        }
        try {
            Type read = type.kind() == Kind.TIMESTAMP && isDay(value) ? Type.DATE : type;
            Scalar scalar = ScalarText.parse(value, read);
            return ExpressionPrinter.print(new Expression.Literal(scalar, START));
        } catch (IllegalArgumentException e) {
            throw new ProblemException(Problem.error("/values", e.getMessage()));
        }
    }

    private static boolean allDays(List<String> values) {
        return values.stream().allMatch(FilterText::isDay);
    }

    private static boolean isDay(String value) {
        return value.trim().length() <= 10;
    }

    private static String quoted(String text) {
        return "'" + text.replace("'", "''") + "'";
    }
}
