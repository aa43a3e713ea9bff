package org.grammatus.core.expression;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** The functions of one row's values that are written as a name with arguments, as standard SQL has them. */
public enum ScalarFunction {
    UPPER(1, 1),
    LOWER(1, 1),
    TRIM(1, 1),
    CHAR_LENGTH(1, 1),
    SUBSTRING(2, 3),
    POSITION(2, 2),
    ABS(1, 1),
    FLOOR(1, 1),
    CEILING(1, 1),
    ROUND(1, 2),
    MOD(2, 2),
    NULLIF(2, 2);

    private final int least;
    private final int most;

    ScalarFunction(int least, int most) {
        this.least = least;
        this.most = most;
    }

    /** Whether it takes so many arguments. */
    public boolean takes(int arguments) {
        return arguments >= least && arguments <= most;
    }

    /** How many arguments it takes, in words. */
    public String arity() {
        return least == most ? String.valueOf(least) : least + " or " + most;
    }

    /** The function of a name, whatever its case. */
    public static Optional<ScalarFunction> named(String name) {
        return Arrays.stream(values())
                .filter(function -> function.name().equalsIgnoreCase(name))
                .findFirst();
    }

    /** What can be called by a name, those with a grammar of their own among them. */
    public static List<String> names() {
        return Arrays.stream(values()).map(Enum::name).toList();
    }
}
