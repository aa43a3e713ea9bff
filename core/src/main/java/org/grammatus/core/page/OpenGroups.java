package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.Header;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;

/** Which groups a band begins on a new page, and which go on over one. */
final class OpenGroups {

    private final Bands bands;
    private final TablePlan plan;
    private final GroupTree tree;
    private final boolean anyNewPage;

    OpenGroups(Bands bands) {
        this.bands = bands;
        this.plan = bands.grouped().plan();
        this.tree = bands.grouped().tree();
        this.anyNewPage = plan.levels().stream().anyMatch(LevelPlan::newPage);
    }

    /** Whether a band is the first of a group that begins on a new page. */
    boolean beginsPage(int band) {
        if (!anyNewPage || band == 0 || bands.kind(band - 1).opensBlock()) {
            return false;
        }
        int node = bands.node(band);
        int before = bands.node(band - 1);
        for (int depth = 1; depth <= tree.depthOf(node); depth++) {
            boolean asked = plan.levels().get(depth - 1).newPage();
            boolean another =
                    tree.depthOf(before) < depth || tree.ancestor(node, depth) != tree.ancestor(before, depth);
            if (asked && another) {
                return true;
            }
        }
        return false;
    }

    /** The groups above a band whose headings a new page repeats, outermost first. */
    List<Integer> above(int band) {
        List<Integer> open = new ArrayList<>();
        BandKind kind = bands.kind(band);
        int node = bands.node(band);
        boolean inside = kind == BandKind.DETAIL || kind == BandKind.OTHER_ROWS || kind == BandKind.GROUP_FOOTER;
        for (int n = inside ? node : tree.parentOf(node); n > GroupTree.ROOT; n = tree.parentOf(n)) {
            if (plan.levels().get(tree.depthOf(n) - 1).header() == Header.HEADING) {
                open.addFirst(n);
            }
        }
        return open;
    }
}
