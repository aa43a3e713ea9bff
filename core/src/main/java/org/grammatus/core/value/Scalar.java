package org.grammatus.core.value;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;

/** One value of a report: a literal, a prompt's answer, a figure. Immutable. */
public sealed interface Scalar {

    Type type();

    /** {@code NULL} of a type. */
    record Null(Type type) implements Scalar {}

    record Text(String value) implements Scalar {
        @Override
        public Type type() {
            return Type.TEXT;
        }
    }

    /** A whole number or a decimal; the value's scale is the type's. */
    record Number(BigDecimal value, Type type) implements Scalar {
        public static Number of(long value) {
            return new Number(BigDecimal.valueOf(value), Type.INTEGER);
        }

        public static Number decimal(BigDecimal value) {
            BigDecimal plain = value.scale() < 0 ? value.setScale(0) : value;
            return new Number(plain, Type.decimal(plain.scale()));
        }
    }

    record Date(LocalDate value) implements Scalar {
        @Override
        public Type type() {
            return Type.DATE;
        }
    }

    record Timestamp(LocalDateTime value) implements Scalar {
        @Override
        public Type type() {
            return Type.TIMESTAMP;
        }
    }

    record Bool(boolean value) implements Scalar {
        @Override
        public Type type() {
            return Type.BOOLEAN;
        }
    }
}
