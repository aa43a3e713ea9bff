package org.grammatus.core.group.window;

import java.util.BitSet;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.Visibility;
import org.grammatus.core.plan.LevelPlan;

/** Finds the groups that are spans of a date, such as a year or a day, with all that stands inside them. */
final class SpansOfTime {

    private SpansOfTime() {}

    /**
     * The nodes that are spans of a date field, or stand inside one; neither the group of blank dates, nor others, is a span.
     *
     * @param field id of the date field
     */
    static BitSet of(String field, Figures figures) {
        GroupIndex nodes = figures.nodes();
        BitSet spans = new BitSet();
        for (int depth = 1; depth < nodes.depths(); depth++) {
            boolean level = isSpanOf(field, figures.axis().level(depth));
            Column keys = nodes.keys(depth);
            int first = nodes.first(depth);
            for (int node = first; node < nodes.first(depth + 1); node++) {
                boolean span = level
                        && nodes.visibilityWithin(depth, node - first) == Visibility.SHOWN
                        && !nodes.isInsideFolded(depth, node - first)
                        && !keys.isNull(node - first);
                spans.set(node, span || spans.get(nodes.parents()[node]));
            }
        }
        return spans;
    }

    private static boolean isSpanOf(String field, LevelPlan level) {
        return isKeyedBy(field, level)
                && level.keys()
                        .coarsening()
                        .map(coarsening -> coarsening instanceof DateBucket bucket && !bucket.isCyclic())
                        .orElse(true);
    }

    /** Whether the groups of a level are told apart by a field, or by what it is coarsened to. */
    static boolean isKeyedBy(String field, LevelPlan level) {
        return level.keys().value().unnamed() instanceof Typed.Field key
                && key.id().equals(field);
    }
}
