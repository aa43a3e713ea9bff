package org.grammatus.core;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;

/** A result as tests read it: a line for each group that is shown, indented by its depth, with its totals. */
public final class TreeText {

    private TreeText() {}

    public static List<String> of(TableResult grouped) {
        BandTexts printed = new BandTexts(grouped);
        List<String> lines = new ArrayList<>();
        for (int place = 0; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            StringBuilder line = new StringBuilder("  ".repeat(grouped.tree().depthOf(node)))
                    .append(node == GroupTree.ROOT ? "all" : printed.label(node));
            for (int total = 0; total < grouped.figures().totals().size(); total++) {
                line.append(" | ").append(printed.total(total, node));
            }
            lines.add(line.toString());
        }
        return lines;
    }
}
