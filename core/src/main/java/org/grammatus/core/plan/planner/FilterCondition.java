package org.grammatus.core.plan.planner;

import static org.grammatus.core.expression.Expressions.and;
import static org.grammatus.core.expression.Expressions.compare;
import static org.grammatus.core.expression.Expressions.dayAfter;
import static org.grammatus.core.expression.Expressions.in;
import static org.grammatus.core.expression.Expressions.isNotNull;
import static org.grammatus.core.expression.Expressions.isNull;
import static org.grammatus.core.expression.Expressions.not;
import static org.grammatus.core.expression.Expressions.or;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.expression.Comparator;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.expression.Expressions;
import org.grammatus.core.expression.ScalarFunction;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/**
 * The condition that a filter stands for. A built filter becomes an expression without being written down; what is wrong with it has a
 * JSON pointer into the filter. On timestamps a date stands for its whole day; built exclusions keep rows in which the field is blank.
 */
public final class FilterCondition {

    /** Of a day as it is written: 2026-01-31. */
    private static final int DAY_LENGTH = 10;

    private static final String FROM = "_from";
    private static final String TO = "_to";

    private final ReportFilter.Condition filter;
    private final Expression field;
    private final Expression blank;
    private final Type type;
    /** Whether it compares with a day that is asked for. */
    private final boolean asksForDay;
    /** Whether it compares with any number of values that are asked for, blanks perhaps among them. */
    private final boolean asksForSeveral;
    /** Whether small letters are taken for capitals. */
    private final boolean folded;

    private FilterCondition(ReportFilter.Condition filter, FilterScope scope) {
        this.filter = filter;
        this.type = scope.typeOf(filter.field());
        this.asksForDay = scope.asksForDay(filter);
        this.asksForSeveral = scope.asksForSeveral(filter);
        this.folded = filter.ignoreCase().orElse(false) && type.kind() == Kind.TEXT && !asksForSeveral;
        this.field = folded(Expressions.field(filter.field()));
        Expression noValue = isNull(Expressions.field(filter.field()));
        this.blank = filter.other()
                .map(id -> or(noValue, isNull(Expressions.field(id))))
                .orElse(noValue);
    }

    /**
     * The condition of a filter.
     *
     * @throws ProblemException if a value does not fit the field, or a typed one cannot be parsed
     */
    public static Expression of(ReportFilter filter, FilterScope scope) {
        return switch (filter) {
            case ReportFilter.Typed typed -> parsed(typed, scope);
            case ReportFilter.OfPeriod asked -> period(asked);
            case ReportFilter.Condition built -> new FilterCondition(built, scope).condition(built.comparison());
            case ReportFilter.Several several -> several(several, scope, false);
            case ReportFilter.Top top -> Expressions.truth(true);
            case RelatedFilter related -> RelatedCondition.of(related, scope);
        };
    }

    /**
     * The condition of a filter as people read it; of a typed one, as it was written.
     *
     * @throws ProblemException likewise
     */
    public static String text(ReportFilter filter, FilterScope scope) {
        return filter instanceof ReportFilter.Typed typed ? typed.where() : ExpressionPrinter.print(of(filter, scope));
    }

    /**
     * The condition of the rows that a filter drops. A built filter drops whatever does not meet it, blanks among it, so that its exclusion
     * keeps them; what is typed keeps the logic of SQL.
     */
    static Expression excluded(ReportFilter filter, FilterScope scope) {
        return switch (filter) {
            case ReportFilter.Typed typed -> not(parsed(typed, scope));
            case ReportFilter.OfPeriod asked -> {
                // One condition, of which an open end stays unbounded where it is turned round.
                Expression field = Expressions.field(asked.field());
                Expression day = scope.typeOf(asked.field()).kind() == Kind.TIMESTAMP
                        ? new Expression.Cast(field, Type.DATE, Expressions.NOWHERE)
                        : field;
                yield or(between(true, day, asked.prompt()), isNull(field));
            }
            case ReportFilter.Condition built -> new FilterCondition(built, scope).excluded();
            case ReportFilter.Several several -> several(several, scope, true);
            case ReportFilter.Top top -> Expressions.truth(true);
            case RelatedFilter related -> not(RelatedCondition.of(related, scope));
        };
    }

    /** Faults keep their position in the text that was typed. */
    private static Expression parsed(ReportFilter.Typed typed, FilterScope scope) {
        return ExpressionParser.parse(typed.where(), scope.fieldLabels());
    }

    /** All, any or none of the parts that are switched on; without any, nothing is restricted. */
    private static Expression several(ReportFilter.Several several, FilterScope scope, boolean excluded) {
        boolean eachExcluded = several.kind() == FilterKind.NONE != excluded;
        boolean all = several.kind() != FilterKind.ANY != excluded;
        List<Expression> parts = several.filters().stream()
                .filter(part -> !part.isOff())
                .map(part -> eachExcluded ? excluded(part, scope) : of(part, scope))
                .toList();
        return all ? Expressions.all(parts) : Expressions.any(parts);
    }

    /** A period reaches from its first day 00:00 up to, not including, the day after its last: the last day counts whole. */
    private static Expression period(ReportFilter.OfPeriod asked) {
        Expression field = Expressions.field(asked.field());
        return and(
                compare(field, Comparator.GREATER_OR_EQUAL, Expressions.prompt(asked.prompt() + FROM)),
                compare(field, Comparator.LESS, dayAfter(Expressions.prompt(asked.prompt() + TO))));
    }

    private static Expression between(boolean negated, Expression value, String prompt) {
        return new Expression.Between(
                negated,
                value,
                Expressions.prompt(prompt + FROM),
                Expressions.prompt(prompt + TO),
                Expressions.NOWHERE);
    }

    private Expression excluded() {
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

    private Expression negated() {
        return orBlank(not(condition(filter.comparison())));
    }

    /** All rows but those that meet the answer: a blank field meets it where the answer names blanks, so that no row meets both. */
    private Expression noneOf(List<Expression> values) {
        return not(new Expression.Coalesce(
                List.of(in(false, field, values), Expressions.truth(false)), Expressions.NOWHERE));
    }

    private Expression condition(FilterComparison comparison) {
        if (comparison == FilterComparison.BETWEEN && filter.prompt().isPresent()) {
            return between(false, field, filter.prompt().get());
        }
        Optional<Expression> reference = reference();
        List<String> written = filter.values().orElse(List.of());
        List<Expression> values =
                reference.map(List::of).orElseGet(() -> isSought(comparison) ? List.of() : literals(written));
        boolean days = type.kind() == Kind.TIMESTAMP
                && (asksForDay || reference.isEmpty() && written.stream().allMatch(FilterCondition::isDay));
        return switch (comparison) {
            case IS -> days ? anyDay(values) : in(false, field, values);
            case IS_NOT ->
                asksForSeveral ? noneOf(values) : orBlank(days ? not(anyDay(values)) : in(true, field, values));
            case LESS -> compare(field, Comparator.LESS, values.getFirst());
            case AT_MOST -> atMost(values.getFirst(), days);
            case MORE ->
                days
                        ? compare(field, Comparator.GREATER_OR_EQUAL, dayAfter(values.getFirst()))
                        : compare(field, Comparator.GREATER, values.getFirst());
            case AT_LEAST -> atLeast(values.getFirst());
            case BETWEEN -> and(atLeast(values.getFirst()), atMost(values.getLast(), days));
            case CONTAINS -> contains(false);
            case DOES_NOT_CONTAIN -> orBlank(contains(true));
            case STARTS_WITH -> startsWith();
            case BLANK -> isNull(Expressions.field(filter.field()));
            case NOT_BLANK -> isNotNull(Expressions.field(filter.field()));
        };
    }

    /** What it compares with where that has a name: a prompt or another field. */
    private Optional<Expression> reference() {
        return filter.prompt()
                .map(Expressions::prompt)
                .or(() -> filter.other().map(Expressions::field))
                .map(this::folded);
    }

    private static boolean isSought(FilterComparison comparison) {
        return switch (comparison) {
            case CONTAINS, DOES_NOT_CONTAIN, STARTS_WITH, BLANK, NOT_BLANK -> true;
            default -> false;
        };
    }

    private Expression atLeast(Expression value) {
        return compare(field, Comparator.GREATER_OR_EQUAL, value);
    }

    private Expression atMost(Expression value, boolean days) {
        return days
                ? compare(field, Comparator.LESS, dayAfter(value))
                : compare(field, Comparator.LESS_OR_EQUAL, value);
    }

    private Expression anyDay(List<Expression> values) {
        return Expressions.any(values.stream()
                .map(value -> and(atLeast(value), atMost(value, true)))
                .toList());
    }

    private Expression orBlank(Expression condition) {
        return or(condition, blank);
    }

    private Expression contains(boolean negated) {
        requireText();
        Optional<Expression> within = position(Comparator.GREATER, 0);
        return within.map(found -> negated ? not(found) : found)
                .orElseGet(() -> Expressions.like(negated, field, pattern("%")));
    }

    private Expression startsWith() {
        requireText();
        return position(Comparator.EQUAL, 1).orElseGet(() -> Expressions.like(false, field, pattern("")));
    }

    /** What a reader types is sought as it stands: nothing in it is a pattern. */
    private Optional<Expression> position(Comparator operator, int than) {
        return reference()
                .map(sought -> compare(
                        Expressions.call(ScalarFunction.POSITION, sought, field), operator, Expressions.number(than)));
    }

    private Expression pattern(String before) {
        String sought = filter.values().orElseThrow().getFirst();
        String escaped = sought.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
        return folded(Expressions.text(before + escaped + "%"));
    }

    private void requireText() {
        if (type.kind() != Kind.TEXT) {
            throw new ProblemException(Problem.error(
                    "/comparison", "the field is a " + type + "; only texts are searched for a part of them"));
        }
    }

    private List<Expression> literals(List<String> values) {
        return values.stream().map(this::literal).toList();
    }

    private Expression literal(String value) {
        try {
            Optional<Expression> relative = type.isTime() ? RelativeDay.expression(value) : Optional.empty();
            if (relative.isPresent()) {
                return relative.get();
            }
            Type read = type.kind() == Kind.TIMESTAMP && isDay(value) ? Type.DATE : type;
            Scalar scalar = ScalarText.parse(value, read);
            return folded(Expressions.literal(scalar));
        } catch (IllegalArgumentException e) {
            throw new ProblemException(Problem.error("/values", e.getMessage()));
        }
    }

    /** In small letters where these are taken for the same as capitals. */
    private Expression folded(Expression text) {
        return folded ? Expressions.call(ScalarFunction.LOWER, text) : text;
    }

    private static boolean isDay(String value) {
        return value.trim().length() <= DAY_LENGTH
                || RelativeDay.expression(value).isPresent();
    }
}
