package org.grammatus.core.plan;

import java.util.Optional;
import org.grammatus.core.choice.LimitEnd;

/**
 * A limit on how many groups are shown inside one parent.
 *
 * @param by what is compared; the groups that come first are kept
 * @param keep which end of what is compared is kept
 * @param percent how many of a hundred are kept, rounded up, where there is no count
 * @param others whether one group more, last, stands for all that are not kept
 */
public record LimitPlan(
        TablePlan.Term by, LimitEnd keep, Optional<Integer> count, Optional<Integer> percent, boolean others) {

    private static final int HUNDRED = 100;

    /** How many of so many siblings are kept: a share of a hundred is rounded up. */
    public int keptOf(int siblings) {
        return keptOf(siblings, count, percent);
    }

    /**
     * How many of so many are kept.
     *
     * @param percent counts where there is no count
     */
    public static int keptOf(int all, Optional<Integer> count, Optional<Integer> percent) {
        return count.map(most -> Math.min(most, all))
                .orElseGet(() -> Math.toIntExact(Math.ceilDiv((long) percent.orElseThrow() * all, HUNDRED)));
    }
}
