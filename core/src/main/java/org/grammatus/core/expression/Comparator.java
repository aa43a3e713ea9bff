package org.grammatus.core.expression;

/** The six comparisons. */
public enum Comparator {
    EQUAL("="),
    NOT_EQUAL("<>"),
    LESS("<"),
    LESS_OR_EQUAL("<="),
    GREATER(">"),
    GREATER_OR_EQUAL(">=");

    private final String symbol;

    Comparator(String symbol) {
        this.symbol = symbol;
    }

    public String symbol() {
        return symbol;
    }

    /** The comparison that holds where this one does not, and is as unknown as this one beside NULL. */
    public Comparator negated() {
        return switch (this) {
            case EQUAL -> NOT_EQUAL;
            case NOT_EQUAL -> EQUAL;
            case LESS -> GREATER_OR_EQUAL;
            case LESS_OR_EQUAL -> GREATER;
            case GREATER -> LESS_OR_EQUAL;
            case GREATER_OR_EQUAL -> LESS;
        };
    }

    /** The comparison that holds of the right side to the left where this one holds of the left to the right. */
    public Comparator mirrored() {
        return switch (this) {
            case EQUAL, NOT_EQUAL -> this;
            case LESS -> GREATER;
            case LESS_OR_EQUAL -> GREATER_OR_EQUAL;
            case GREATER -> LESS;
            case GREATER_OR_EQUAL -> LESS_OR_EQUAL;
        };
    }

    /** Whether the comparison holds for a left side that stands so to the right: below, level (0) or above. */
    public boolean holds(int order) {
        return switch (this) {
            case EQUAL -> order == 0;
            case NOT_EQUAL -> order != 0;
            case LESS -> order < 0;
            case LESS_OR_EQUAL -> order <= 0;
            case GREATER -> order > 0;
            case GREATER_OR_EQUAL -> order >= 0;
        };
    }
}
