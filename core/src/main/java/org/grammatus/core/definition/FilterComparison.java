package org.grammatus.core.definition;

import java.util.EnumSet;
import java.util.Set;
import org.grammatus.core.choice.PromptType;

/** How a condition compares its field. Exclusions keep rows in which the field is blank. */
public enum FilterComparison {
    IS(Operands.MANY),
    IS_NOT(Operands.MANY),
    LESS(Operands.ONE),
    AT_MOST(Operands.ONE),
    MORE(Operands.ONE),
    AT_LEAST(Operands.ONE),
    BETWEEN(Operands.TWO),
    CONTAINS(Operands.ONE),
    DOES_NOT_CONTAIN(Operands.ONE),
    STARTS_WITH(Operands.ONE),
    BLANK(Operands.NONE),
    NOT_BLANK(Operands.NONE);

    /** How many values a comparison takes besides its field. */
    public enum Operands {
        NONE(0, 0),
        ONE(1, 1),
        TWO(2, 2),
        /** One or more. */
        MANY(1, Integer.MAX_VALUE);

        private final int least;
        private final int most;

        Operands(int least, int most) {
            this.least = least;
            this.most = most;
        }

        public int least() {
            return least;
        }

        public int most() {
            return most;
        }
    }

    private final Operands operands;

    FilterComparison(Operands operands) {
        this.operands = operands;
    }

    public Operands operands() {
        return operands;
    }

    /** Whether it looks for a part of a text. */
    public boolean seeksText() {
        return this == CONTAINS || this == DOES_NOT_CONTAIN || this == STARTS_WITH;
    }

    /** Whether it compares with the value of another field, too, which is one value. */
    public boolean takesField() {
        return operands == Operands.ONE || operands == Operands.MANY;
    }

    /** The prompts whose answers it can compare with. */
    public Set<PromptType> answeredBy() {
        return switch (operands) {
            case NONE -> EnumSet.noneOf(PromptType.class);
            case ONE ->
                EnumSet.complementOf(EnumSet.of(
                        PromptType.PERIOD, PromptType.CHOICES, PromptType.NUMBER_RANGE, PromptType.TEXT_RANGE));
            case TWO -> EnumSet.of(PromptType.NUMBER_RANGE, PromptType.TEXT_RANGE);
            case MANY ->
                EnumSet.complementOf(EnumSet.of(PromptType.PERIOD, PromptType.NUMBER_RANGE, PromptType.TEXT_RANGE));
        };
    }
}
