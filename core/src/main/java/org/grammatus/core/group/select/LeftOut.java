package org.grammatus.core.group.select;

import org.grammatus.core.problem.Problem;

/**
 * The groups of a level, or the rows, that a condition or a limit leaves out.
 *
 * @param level what the level or the rows are called
 * @param pointer where it stands in the definition
 * @param groups how many are not shown
 * @param of how many there are
 * @param covered whether totals take them in
 */
public record LeftOut(String level, String pointer, int groups, int of, Why why, boolean covered) {

    /** Why groups are not shown by themselves. */
    public enum Why {
        CONDITION("do not meet its condition"),
        NOT_AMONG_LARGEST("are not among the largest"),
        NOT_AMONG_SMALLEST("are not among the smallest"),
        AMONG_OTHERS("stand together as others"),
        /** Rows beyond those that each group shows. */
        BEYOND_LIMIT("are beyond the limit of each group"),
        /** Rows beyond those that each group shows, as one line. */
        OTHER_ROWS("stand together as others");

        private final String words;

        Why(String words) {
            this.words = words;
        }
    }

    /** Whether they are not to be seen at all: others are. */
    public boolean isHidden() {
        return why != Why.AMONG_OTHERS && why != Why.OTHER_ROWS;
    }

    public Problem notice() {
        String totals = !isHidden() ? "" : covered ? "; totals cover them" : "; totals leave them out";
        String what = why == Why.BEYOND_LIMIT || why == Why.OTHER_ROWS ? level : "groups of level \"" + level + "\"";
        return Problem.notice(pointer, groups + " of " + of + " " + what + " " + why.words + totals);
    }
}
