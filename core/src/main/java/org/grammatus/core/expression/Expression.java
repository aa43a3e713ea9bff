package org.grammatus.core.expression;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.value.Scalar;

/** An expression as written: immutable, each part with the position where it starts. */
public sealed interface Expression {

    Position position();

    record Literal(Scalar value, Position position) implements Expression {}

    /** A field's name; an unquoted one is found whatever its case. */
    record Name(String name, boolean quoted, Position position) implements Expression {}

    /** A prompt's answer, by its name without the colon. */
    record Prompt(String name, Position position) implements Expression {}

    /** A number of days, to be added to a date or timestamp. */
    record Days(long count, Position position) implements Expression {}

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

    /** An aggregate; no argument means COUNT(*). */
    record Aggregate(AggregateFunction function, boolean distinct, Optional<Expression> argument, Position position)
            implements Expression {}
}
