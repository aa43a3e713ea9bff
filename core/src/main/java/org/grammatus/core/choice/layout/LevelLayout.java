package org.grammatus.core.choice.layout;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * How the groups of a level stand on pages. All of it may be left out.
 *
 * @param keepTogether whether a group stays on one page where it fits one
 * @param newPageUnder a group begins on a new page where less than this percentage of a page is left
 * @param onFront whether a group that begins on a new page begins on a front of paper printed on both sides
 * @param totalsFrom its totals are printed for groups of at least so many rows
 * @param ruleAfter whether a line is drawn below a group
 * @param spaceAfter room below a group, in points
 */
public record LevelLayout(
        Optional<Boolean> keepTogether,
        Optional<Integer> newPageUnder,
        Optional<Boolean> onFront,
        Optional<Integer> totalsFrom,
        Optional<Boolean> ruleAfter,
        Optional<BigDecimal> spaceAfter) {

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    public static final LevelLayout PLAIN = new LevelLayout(
            Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    public boolean keepsTogether() {
        return keepTogether.orElse(false);
    }

    public boolean beginsOnFront() {
        return onFront.orElse(false);
    }

    public boolean drawsRuleAfter() {
        return ruleAfter.orElse(false);
    }

    /** Room below a group, in hundredths of a point. */
    public int roomAfter() {
        return spaceAfter.map(points -> points.multiply(HUNDRED).intValue()).orElse(0);
    }
}
