package org.grammatus.core.expression;

/** Where a row or a group stands among the others of the group around it. */
public enum StandingFunction {
    /** Its place by a value, equals sharing one; none where the value is blank. */
    RANK,
    /** Which part of those that have a value come no later by it, itself among them: from above 0 to 1. */
    CUME_DIST,
    /** The value of the one that is printed before it. */
    LAG,
    /** How many have the same value, itself among them; blanks are alike. */
    ALIKE
}
