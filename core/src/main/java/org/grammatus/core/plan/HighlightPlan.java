package org.grammatus.core.plan;

import java.util.Optional;
import org.grammatus.core.choice.Reach;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Expressions;
import org.grammatus.core.expression.Typed;

/**
 * A rule that marks rows or groups.
 *
 * @param look id of a look of the house style
 * @param word printed in place of the look's sign; empty for none
 * @param pointer where it stands in the definition
 * @param written its condition as its author wrote it, parsed
 * @param overScope whether it is computed over the rows of a group, rather than for a row
 * @param also whether it marks, too, what a rule before it has marked
 */
public record HighlightPlan(
        String id,
        String label,
        String look,
        String word,
        String pointer,
        Expression written,
        Typed when,
        boolean overScope,
        Target target,
        boolean also) {

    private static final Expression UNPRINTED = Expressions.truth(true);

    /**
     * What it marks.
     *
     * @param level id of the level of the groups that it is about, or {@value TablePlan#REPORT}; none for rows and lines
     * @param column id of the column, or of the key figure, whose cell alone it marks; none for all of them
     */
    public record Target(Reach of, Optional<String> level, Optional<String> column) {
        public static final Target ROWS = new Target(Reach.ROW, Optional.empty(), Optional.empty());
    }

    /** The same rule with another condition. */
    public HighlightPlan when(Typed other, boolean scope) {
        return new HighlightPlan(id, label, look, word, pointer, written, other, scope, target, also);
    }

    /** The same rule without what only printing needs. */
    HighlightPlan unprinted() {
        return new HighlightPlan("", "", "", "", "", UNPRINTED, when, overScope, target, also);
    }
}
