package org.grammatus.core.plan.planner.condition;

import static org.grammatus.core.expression.Expressions.and;
import static org.grammatus.core.expression.Expressions.compare;
import static org.grammatus.core.expression.Expressions.dayAfter;
import static org.grammatus.core.expression.Expressions.in;
import static org.grammatus.core.expression.Expressions.isNotNull;
import static org.grammatus.core.expression.Expressions.isNull;
import static org.grammatus.core.expression.Expressions.not;
import static org.grammatus.core.expression.Expressions.or;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.expression.Comparator;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Expressions;
import org.grammatus.core.expression.ScalarFunction;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/**
 * The condition of a built filter, which compares a field with values, an answer or another field. On timestamps a date stands for its
 * whole day; exclusions keep rows in which the field is blank.
 */
final class ComparisonCondition {

    /** Of a day as it is written: 2026-01-31. */
    private static final int DAY_LENGTH = 10;

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

    private ComparisonCondition(ReportFilter.Condition filter, FilterScope scope) {
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
     * The condition of a filter that compares.
     *
     * @throws ProblemException if a value does not fit the field; it points into the filter
     */
    static Expression of(ReportFilter.Condition built, FilterScope scope) {
        return new ComparisonCondition(built, scope).condition(built.comparison());
    }

    /** The condition of the rows that it drops. */
    static Expression excluded(ReportFilter.Condition built, FilterScope scope) {
        return new ComparisonCondition(built, scope).excluded();
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
            return AskedPeriod.between(false, field, filter.prompt().get());
        }
        Optional<Expression> reference = reference();
        List<String> written = filter.values().orElse(List.of());
        List<Expression> values =
                reference.map(List::of).orElseGet(() -> readsTexts(comparison) ? List.of() : literals(written));
        boolean days = type.kind() == Kind.TIMESTAMP
                && (asksForDay || reference.isEmpty() && written.stream().allMatch(ComparisonCondition::isDay));
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
            case BETWEEN -> range(written, days);
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

    /** Whether what is written is not read as values of the field, one by one. */
    private static boolean readsTexts(FilterComparison comparison) {
        return switch (comparison) {
            case CONTAINS, DOES_NOT_CONTAIN, STARTS_WITH, BETWEEN, BLANK, NOT_BLANK -> true;
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

    /** From one value to another; an end that is left empty is open, but of texts, where it is a value. */
    private Expression range(List<String> ends, boolean days) {
        List<Expression> bounds = new ArrayList<>();
        if (type.kind() == Kind.TEXT || !ends.getFirst().isBlank()) {
            bounds.add(atLeast(literal(ends.getFirst())));
        }
        if (type.kind() == Kind.TEXT || !ends.getLast().isBlank()) {
            bounds.add(atMost(literal(ends.getLast()), days));
        }
        return Expressions.all(bounds);
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
