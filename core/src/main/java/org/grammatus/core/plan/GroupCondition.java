package org.grammatus.core.plan;

import java.math.BigDecimal;
import org.grammatus.core.choice.GroupMeasure;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.expression.Typed;

/**
 * A condition that a group's figure must meet for the group to be shown.
 *
 * @param by the figure, over the group's rows
 * @param bound what it is compared with; of shares, of a hundred
 */
public record GroupCondition(GroupMeasure measure, Typed by, FilterComparison comparison, BigDecimal bound) {

    /** Whether it looks at figures from before any group was left out. */
    public boolean readsAllGroups() {
        return measure != GroupMeasure.VALUE;
    }

    /** Whether a figure meets it. */
    public boolean isMetBy(BigDecimal figure) {
        return holds(figure.compareTo(bound));
    }

    /** Whether a part has the share of its whole that is asked for; no part has a share of nothing. */
    public boolean isMetBy(BigDecimal part, BigDecimal whole) {
        // Multiplied, not divided: a third of a hundred is exactly as large as it is.
        int order = part.scaleByPowerOfTen(2).compareTo(bound.multiply(whole));
        return whole.signum() != 0 && holds(order * whole.signum());
    }

    private boolean holds(int order) {
        return switch (comparison) {
            case LESS -> order < 0;
            case AT_MOST -> order <= 0;
            case MORE -> order > 0;
            default -> order >= 0;
        };
    }
}
