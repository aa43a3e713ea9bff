package org.grammatus.core.expression;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.value.Scalar;

/** Expressions that are built rather than written. They stand in no text, so that all their parts have the same position. */
public final class Expressions {

    /** The position of built expressions. */
    public static final Position NOWHERE = new Position(1, 1);
    /** Above this many parts a chain of AND or OR becomes a tree, so that it is not nested too deeply. */
    private static final int LONGEST_CHAIN = 200;

    private Expressions() {}

    /** A field by its id. */
    public static Expression.Name field(String id) {
        return new Expression.Name(id, true, NOWHERE);
    }

    /** A prompt's answer. */
    public static Expression prompt(String name) {
        return new Expression.Prompt(name, NOWHERE);
    }

    public static Expression literal(Scalar value) {
        return new Expression.Literal(value, NOWHERE);
    }

    public static Expression number(long value) {
        return literal(Scalar.Number.of(value));
    }

    public static Expression text(String value) {
        return literal(new Scalar.Text(value));
    }

    /** TRUE or FALSE. */
    public static Expression truth(boolean value) {
        return literal(new Scalar.Bool(value));
    }

    public static Expression compare(Expression left, Comparator operator, Expression right) {
        return new Expression.Compare(operator, left, right, NOWHERE);
    }

    public static Expression in(boolean negated, Expression value, List<Expression> list) {
        return new Expression.In(negated, value, list, NOWHERE);
    }

    public static Expression isNull(Expression value) {
        return new Expression.IsNull(false, value, NOWHERE);
    }

    public static Expression isNotNull(Expression value) {
        return new Expression.IsNull(true, value, NOWHERE);
    }

    public static Expression not(Expression condition) {
        return new Expression.Not(condition, NOWHERE);
    }

    public static Expression and(Expression... conditions) {
        return all(List.of(conditions));
    }

    public static Expression or(Expression... conditions) {
        return any(List.of(conditions));
    }

    /** All of the conditions; TRUE where there are none. */
    public static Expression all(List<Expression> conditions) {
        return joined(Connective.AND, conditions);
    }

    /** Any of the conditions; TRUE where there are none. */
    public static Expression any(List<Expression> conditions) {
        return joined(Connective.OR, conditions);
    }

    private static Expression joined(Connective connective, List<Expression> parts) {
        if (parts.size() > LONGEST_CHAIN) {
            int half = parts.size() / 2;
            return new Expression.Logic(
                    connective,
                    joined(connective, parts.subList(0, half)),
                    joined(connective, parts.subList(half, parts.size())),
                    NOWHERE);
        }
        return parts.stream()
                .reduce((left, right) -> new Expression.Logic(connective, left, right, NOWHERE))
                .orElseGet(() -> truth(true));
    }

    /** A function of some values. */
    public static Expression call(ScalarFunction function, Expression... arguments) {
        return new Expression.Call(function, List.of(arguments), NOWHERE);
    }

    /** The day after a date or timestamp. */
    public static Expression dayAfter(Expression time) {
        return new Expression.Arithmetic(
                ArithmeticOperator.ADD, time, new Expression.Interval(1, Expression.Unit.DAY, NOWHERE), NOWHERE);
    }

    /** The text begins or ends with, or contains, another; {@code %} and {@code _} of the pattern are escaped by a backslash. */
    public static Expression like(boolean negated, Expression value, Expression pattern) {
        return new Expression.Like(negated, value, pattern, Optional.of("\\"), NOWHERE);
    }
}
