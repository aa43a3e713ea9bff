package org.grammatus.core.expression;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** An expression with every name resolved and every part typed: what the engine computes. Immutable. */
public sealed interface Typed {

    Type type();

    record Constant(Scalar value) implements Typed {
        @Override
        public Type type() {
            return value.type();
        }
    }

    /** A field's value, by the field's id. */
    record Field(String id, Type type) implements Typed {}

    record Negate(Typed operand) implements Typed {
        @Override
        public Type type() {
            return operand.type();
        }
    }

    record Arithmetic(ArithmeticOperator operator, Typed left, Typed right, Type type) implements Typed {}

    /** A date or timestamp so many days later. */
    record AddDays(Typed value, long days) implements Typed {
        @Override
        public Type type() {
            return value.type();
        }
    }

    /** The whole days from the right date to the left one. */
    record DaysBetween(Typed left, Typed right) implements Typed {
        @Override
        public Type type() {
            return Type.INTEGER;
        }
    }

    record Concat(Typed left, Typed right) implements Typed {
        @Override
        public Type type() {
            return Type.TEXT;
        }
    }

    sealed interface Condition extends Typed {
        @Override
        default Type type() {
            return Type.BOOLEAN;
        }
    }

    record Compare(Comparator operator, Typed left, Typed right) implements Condition {}

    record Logic(Connective connective, Typed left, Typed right) implements Condition {}

    record Not(Typed operand) implements Condition {}

    /** @param escape the character after which {@code %} and {@code _} stand for themselves */
    record Like(Typed value, Typed pattern, Optional<String> escape) implements Condition {}

    record IsNull(Typed value) implements Condition {}

    /** The first branch whose condition is true gives the value. */
    record Choice(List<Branch> branches, Optional<Typed> otherwise, Type type) implements Typed {}

    record Branch(Typed condition, Typed result) {}

    /** An aggregate over the rows of the scope in which it stands; no argument counts rows. */
    record Aggregate(AggregateFunction function, boolean distinct, Optional<Typed> argument, Type type)
            implements Typed {}
}
