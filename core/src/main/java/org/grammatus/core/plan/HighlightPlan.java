package org.grammatus.core.plan;

import org.grammatus.core.choice.Reach;
import org.grammatus.core.expression.Typed;

/**
 * A rule that marks rows or groups.
 *
 * @param look id of a look of the house style
 * @param word printed in place of the look's sign; empty for none
 * @param pointer where it stands in the definition
 * @param text its condition as its author wrote it
 * @param overScope whether it is computed over the rows of a group, rather than for a row
 * @param also whether it marks, too, what a rule before it has marked
 */
public record HighlightPlan(
        String id,
        String label,
        String look,
        String word,
        String pointer,
        String text,
        Typed when,
        boolean overScope,
        Target target,
        boolean also) {

    /** Stands for every level and for every column. */
    public static final int ALL = -1;

    /**
     * What it marks.
     *
     * @param depth of the groups that it is about, 0 for the report; {@link #ALL} for rows and lines
     * @param column index of the column whose cell alone it marks, or {@link #ALL}
     */
    public record Target(Reach of, int depth, int column) {
        public static final Target ROWS = new Target(Reach.ROW, ALL, ALL);
    }

    /** The same rule with another condition. */
    public HighlightPlan when(Typed other, boolean scope) {
        return new HighlightPlan(id, label, look, word, pointer, text, other, scope, target, also);
    }

    /** The same rule without what only printing needs. */
    HighlightPlan unprinted() {
        return new HighlightPlan("", "", "", "", "", "", when, overScope, target, also);
    }
}
