package org.grammatus.core.group;

import java.math.BigInteger;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.table.Faults;
import org.grammatus.core.value.Decimals;

/** How an aggregate grows step by step. */
final class Steps {

    private Steps() {}

    /** What a value makes of what came before it; null stands for nothing. */
    static BigInteger next(BigInteger sofar, BigInteger value, AggregateFunction function) {
        if (sofar == null || value == null) {
            return sofar == null ? value : sofar;
        }
        return switch (function) {
            case MIN -> sofar.min(value);
            case MAX -> sofar.max(value);
            default -> sofar.add(value);
        };
    }

    /** The value, or null and a fault where it has more digits than values can have. */
    static BigInteger within(BigInteger value, int at, Faults faults) {
        if (value != null && !Decimals.fits(value)) {
            faults.note(Faults.Kind.TOO_LARGE, at);
            return null;
        }
        return value;
    }
}
