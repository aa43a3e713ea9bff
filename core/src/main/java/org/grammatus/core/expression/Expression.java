package org.grammatus.core.expression;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** An expression as written: immutable, each part with the position where it starts. */
public sealed interface Expression {

    Position position();

    record Literal(Scalar value, Position position) implements Expression {}

    /** A field's name; an unquoted one is found whatever its case. */
    record Name(String name, boolean quoted, Position position) implements Expression {}

    /** A field's name behind that of the rows it is of: {@code lines.quantity}. */
    record Qualified(Name rows, Name field, Position position) implements Expression {}

    /**
     * Whether there are rows of another dataset that belong to the row.
     *
     * @param rows what its rows are called inside; as the dataset unless given
     * @param where what they meet, the keys by which they belong among it
     * @param counted whose different values are counted; the rows themselves unless given
     * @param least how many there must be
     */
    record Exists(
            Name dataset,
            Optional<Name> rows,
            Expression where,
            Optional<Expression> counted,
            int least,
            Position position)
            implements Expression {

        /** What its rows are called inside. */
        Name called() {
            return rows.orElse(dataset);
        }
    }

    /** A prompt's answer, by its name without the colon. */
    record Prompt(String name, Position position) implements Expression {}

    /** So many days, months or years, to be added to a date or timestamp. */
    record Interval(int count, Unit unit, Position position) implements Expression {}

    /** What intervals are counted in. */
    enum Unit {
        DAY(100_000),
        MONTH(3_000),
        YEAR(250);

        private final int most;

        Unit(int most) {
            this.most = most;
        }

        /** The most that an interval may have: far enough for every calendar, and no date runs over. */
        public int most() {
            return most;
        }
    }

    record Negate(Expression operand, Position position) implements Expression {}

    record Not(Expression operand, Position position) implements Expression {}

    record Arithmetic(ArithmeticOperator operator, Expression left, Expression right, Position position)
            implements Expression {}

    record Concat(Expression left, Expression right, Position position) implements Expression {}

    record Compare(Comparator operator, Expression left, Expression right, Position position) implements Expression {}

    /** AND or OR. */
    record Logic(Connective connective, Expression left, Expression right, Position position) implements Expression {}

    record Between(boolean negated, Expression value, Expression low, Expression high, Position position)
            implements Expression {}

    record In(boolean negated, Expression value, List<Expression> list, Position position) implements Expression {}

    /**
     * LIKE: {@code %} stands for any characters, {@code _} for one.
     *
     * @param escape the character after which the two stand for themselves
     */
    record Like(boolean negated, Expression value, Expression pattern, Optional<String> escape, Position position)
            implements Expression {}

    record IsNull(boolean negated, Expression value, Position position) implements Expression {}

    /** A CASE; with a subject each WHEN is compared to it, without one each WHEN is a condition. */
    record Case(Optional<Expression> subject, List<When> whens, Optional<Expression> otherwise, Position position)
            implements Expression {}

    /** The first of the values that is not NULL. */
    record Coalesce(List<Expression> values, Position position) implements Expression {}

    /** The business date. */
    record CurrentDate(Position position) implements Expression {}

    record When(Expression condition, Expression result) {}

    /** A function of values of one row. */
    record Call(ScalarFunction function, List<Expression> arguments, Position position) implements Expression {}

    /** A value turned into another type. */
    record Cast(Expression value, Type type, Position position) implements Expression {}

    /** A part of a date or timestamp. */
    record Extract(DatePart part, Expression value, Position position) implements Expression {}

    /**
     * An aggregate; no argument means COUNT(*).
     *
     * @param filter what a row must meet to be taken
     */
    record Aggregate(
            AggregateFunction function,
            boolean distinct,
            Optional<Expression> argument,
            Optional<Expression> filter,
            Position position)
            implements Expression {}

    /**
     * An aggregate over the group of another level than the one where it stands; no levels means the whole report.
     *
     * @param partition names of the levels, outermost first
     * @param stepped name of what is stepped over in printed order, up to the place where it stands; none takes all of the group
     */
    record Over(Aggregate aggregate, List<Name> partition, Optional<Name> stepped, Position position)
            implements Expression {}

    /**
     * Where a row or a group stands among the others of a group.
     *
     * @param value what they are told apart by; of LAG, what the one before has
     * @param partition names of the levels, outermost first
     * @param stepped of LAG, name of what is stepped over in printed order
     * @param descending of a rank, whether the largest comes first
     */
    record Standing(
            StandingFunction function,
            Expression value,
            List<Name> partition,
            Optional<Name> stepped,
            boolean descending,
            Position position)
            implements Expression {}

    /** The expressions that this one is made of, from left to right. */
    default List<Expression> operands() {
        return switch (this) {
            case Literal l -> List.of();
            case Name n -> List.of();
            case Prompt p -> List.of();
            case Qualified q -> List.of();
            // What stands inside is about other rows.
            case Exists e -> List.of();
            case Interval i -> List.of();
            case CurrentDate d -> List.of();
            case Negate n -> List.of(n.operand());
            case Not n -> List.of(n.operand());
            case Arithmetic a -> List.of(a.left(), a.right());
            case Concat c -> List.of(c.left(), c.right());
            case Compare c -> List.of(c.left(), c.right());
            case Logic l -> List.of(l.left(), l.right());
            case Between b -> List.of(b.value(), b.low(), b.high());
            case In in -> joined(List.of(in.value()), in.list());
            case Like l -> List.of(l.value(), l.pattern());
            case IsNull n -> List.of(n.value());
            case Case c -> {
                List<Expression> whens = c.whens().stream()
                        .flatMap(w -> Stream.of(w.condition(), w.result()))
                        .toList();
                yield joined(
                        joined(c.subject().stream().toList(), whens),
                        c.otherwise().stream().toList());
            }
            case Coalesce c -> c.values();
            case Call c -> c.arguments();
            case Cast c -> List.of(c.value());
            case Extract x -> List.of(x.value());
            case Over o -> o.aggregate().operands();
            case Standing s -> List.of(s.value());
            case Aggregate a ->
                joined(a.argument().stream().toList(), a.filter().stream().toList());
        };
    }

    /** The prompts that it names, from left to right. */
    default Stream<Prompt> prompts() {
        return switch (this) {
            case Prompt p -> Stream.of(p);
            case Exists e ->
                Stream.concat(e.where().prompts(), e.counted().stream().flatMap(Expression::prompts));
            default -> operands().stream().flatMap(Expression::prompts);
        };
    }

    /** The names of the datasets in which it looks for rows. */
    default Stream<String> lookedInto() {
        return this instanceof Exists e
                ? Stream.concat(Stream.of(e.dataset().name()), e.where().lookedInto())
                : operands().stream().flatMap(Expression::lookedInto);
    }

    /** Whether any of the expressions that this one is made of meets a condition; plain steps, for deep expressions. */
    default boolean anyOperand(Predicate<Expression> condition) {
        for (Expression operand : operands()) {
            if (condition.test(operand)) {
                return true;
            }
        }
        return false;
    }

    private static List<Expression> joined(List<Expression> first, List<Expression> second) {
        return Stream.concat(first.stream(), second.stream()).toList();
    }
}
