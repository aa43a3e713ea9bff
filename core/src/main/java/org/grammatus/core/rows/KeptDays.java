package org.grammatus.core.rows;

import java.time.LocalDate;
import java.time.Year;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.expression.Comparator;
import org.grammatus.core.expression.Connective;
import org.grammatus.core.expression.DatePart;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;

/** The first and the last day of a date field that conditions keep, as far as they follow from comparisons with fixed days. */
public final class KeptDays {

    private final String field;

    private KeptDays(String field) {
        this.field = field;
    }

    /** The days that all of some conditions keep of a field; an end that no condition sets is open. */
    public static Period of(List<FilterPlan> conditions, String field) {
        KeptDays days = new KeptDays(field);
        return period(conditions.stream()
                .map(condition -> days.kept(condition.condition(), false))
                .reduce(Bounds.NONE, Bounds::and));
    }

    /** Conditions that contradict each other keep no row, so that it does not matter which days they say. */
    private static Period period(Bounds bounds) {
        boolean none = bounds.from().isPresent()
                && bounds.to().isPresent()
                && bounds.from().get().isAfter(bounds.to().get());
        return new Period(bounds.from(), none ? bounds.from() : bounds.to());
    }

    /** What a condition keeps, or the rows that fail it. */
    private Bounds kept(Typed condition, boolean negated) {
        return switch (condition) {
            case Typed.Not not -> kept(not.operand(), !negated);
            case Typed.Logic logic -> {
                Bounds left = kept(logic.left(), negated);
                Bounds right = kept(logic.right(), negated);
                boolean both = (logic.connective() == Connective.AND) != negated;
                yield both ? left.and(right) : left.or(right);
            }
            case Typed.Compare compare -> compared(compare, negated);
            default -> Bounds.NONE;
        };
    }

    private Bounds compared(Typed.Compare compare, boolean negated) {
        Comparator operator = negated ? compare.operator().negated() : compare.operator();
        return bounds(compare.left(), operator, compare.right())
                .or(() -> bounds(compare.right(), operator.mirrored(), compare.left()))
                .orElse(Bounds.NONE);
    }

    private Optional<Bounds> bounds(Typed subject, Comparator operator, Typed value) {
        Typed plain = subject.unnamed();
        if (!isFixed(value)) {
            return Optional.empty();
        }
        if (plain instanceof Typed.Extract extract && extract.part() == DatePart.YEAR && isField(extract.value())) {
            return value(value) instanceof Scalar.Number number ? years(operator, number) : Optional.empty();
        }
        return isField(plain) || plain instanceof Typed.Cast cast && cast.type().isTime() && isField(cast.value())
                ? days(operator, value(value))
                : Optional.empty();
    }

    private boolean isField(Typed value) {
        return value.unnamed() instanceof Typed.Field own && own.id().equals(field);
    }

    private static boolean isFixed(Typed value) {
        return switch (value) {
            case Typed.Constant c -> true;
            case Typed.AddDays days -> isFixed(days.value());
            case Typed.AddMonths months -> isFixed(months.value());
            case Typed.Cast cast -> isFixed(cast.value());
            default -> false;
        };
    }

    private static Scalar value(Typed fixed) {
        return Scalars.at(Evaluator.evaluate(fixed, EvaluationContext.NO_FIELDS, new Faults()), 0);
    }

    private static Optional<Bounds> days(Comparator operator, Scalar value) {
        return switch (value) {
            case Scalar.Date date -> days(operator, date.value(), true);
            case Scalar.Timestamp time ->
                days(
                        operator,
                        time.value().toLocalDate(),
                        time.value().equals(time.value().toLocalDate().atStartOfDay()));
            default -> Optional.empty();
        };
    }

    /** @param whole whether the value is the first moment of its day, so that nothing before it is of that day */
    private static Optional<Bounds> days(Comparator operator, LocalDate day, boolean whole) {
        return switch (operator) {
            case EQUAL -> Optional.of(Bounds.of(day, day));
            case GREATER, GREATER_OR_EQUAL -> Optional.of(Bounds.from(day));
            case LESS -> Optional.of(Bounds.to(whole ? day.minusDays(1) : day));
            case LESS_OR_EQUAL -> Optional.of(Bounds.to(day));
            case NOT_EQUAL -> Optional.empty();
        };
    }

    private static Optional<Bounds> years(Comparator operator, Scalar.Number number) {
        int year = number.value().intValue();
        if (year < Year.MIN_VALUE + 1 || year > Year.MAX_VALUE - 1) {
            return Optional.empty();
        }
        LocalDate first = LocalDate.of(year, 1, 1);
        LocalDate next = first.plusYears(1);
        return switch (operator) {
            case EQUAL -> Optional.of(Bounds.of(first, next.minusDays(1)));
            case GREATER -> Optional.of(Bounds.from(next));
            case GREATER_OR_EQUAL -> Optional.of(Bounds.from(first));
            case LESS -> Optional.of(Bounds.to(first.minusDays(1)));
            case LESS_OR_EQUAL -> Optional.of(Bounds.to(next.minusDays(1)));
            case NOT_EQUAL -> Optional.empty();
        };
    }

    /** The days between two ends, either open; unlike a period, there may be none. */
    private record Bounds(Optional<LocalDate> from, Optional<LocalDate> to) {

        static final Bounds NONE = new Bounds(Optional.empty(), Optional.empty());

        static Bounds of(LocalDate from, LocalDate to) {
            return new Bounds(Optional.of(from), Optional.of(to));
        }

        static Bounds from(LocalDate day) {
            return new Bounds(Optional.of(day), Optional.empty());
        }

        static Bounds to(LocalDate day) {
            return new Bounds(Optional.empty(), Optional.of(day));
        }

        Bounds and(Bounds other) {
            return new Bounds(
                    Stream.concat(from.stream(), other.from.stream()).max(LocalDate::compareTo),
                    Stream.concat(to.stream(), other.to.stream()).min(LocalDate::compareTo));
        }

        /** Days that either keeps lie between the earlier start and the later end, where both have one. */
        Bounds or(Bounds other) {
            return new Bounds(
                    from.flatMap(a -> other.from.map(b -> a.isBefore(b) ? a : b)),
                    to.flatMap(a -> other.to.map(b -> a.isAfter(b) ? a : b)));
        }
    }
}
