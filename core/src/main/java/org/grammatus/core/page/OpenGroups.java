package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.GroupLines;
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
    private final GroupLines lines;

    OpenGroups(Bands bands) {
        this.bands = bands;
        this.plan = bands.grouped().plan();
        this.tree = bands.grouped().tree();
        this.lines = new GroupLines(plan);
        this.anyNewPage = plan.levels().stream().anyMatch(level -> level.print().newPage());
    }

    /** Whether a band is the first of a group that begins on a new page. */
    boolean beginsPage(int band) {
        return anyNewPage
                && !isFirst(band)
                && begun(band).anyMatch(depth -> level(depth).print().newPage());
    }

    /** Whether a band is the first of a group that begins on a front of paper. */
    boolean beginsFront(int band) {
        return beginsPage(band)
                && begun(band)
                        .anyMatch(depth -> level(depth).print().newPage()
                                && level(depth).print().layout().beginsOnFront());
    }

    /** Nothing stands before it but what the block is called. */
    private boolean isFirst(int band) {
        return band == 0 || bands.kind(band - 1).opensBlock();
    }

    /** Depths of the groups of which a band is the first, outermost first. */
    IntStream begun(int band) {
        int node = bands.node(band);
        return IntStream.rangeClosed(1, tree.depthOf(node))
                .filter(depth -> band == 0 || !isIn(bands.node(band - 1), tree.ancestor(node, depth), depth));
    }

    /** Depths of the groups of which a band is the last, innermost first. */
    IntStream ended(int band) {
        int node = bands.node(band);
        int depth = tree.depthOf(node);
        return IntStream.iterate(depth, d -> d > 0, d -> d - 1)
                .filter(d -> band + 1 == bands.size() || !isIn(bands.node(band + 1), tree.ancestor(node, d), d));
    }

    /** Whether a node is a group of some depth, or inside it. */
    private boolean isIn(int node, int group, int depth) {
        return tree.depthOf(node) >= depth && tree.ancestor(node, depth) == group;
    }

    /** Whether two bands stand in the same group of a depth, 0 for the table. */
    boolean isSame(int band, int other, int depth) {
        int node = bands.node(band);
        return depth == 0 || tree.depthOf(node) >= depth && isIn(bands.node(other), tree.ancestor(node, depth), depth);
    }

    private LevelPlan level(int depth) {
        return plan.levels().get(depth - 1);
    }

    /** Whether a band says what stands below it: it is never last on a page. */
    boolean isHeading(int band) {
        BandKind kind = bands.kind(band);
        return kind.isHeading() || kind == BandKind.GROUP_LINE && isAboveRows(band);
    }

    /** Whether a line has something inside that stands below it: a group may be empty. */
    private boolean isAboveRows(int band) {
        int node = bands.node(band);
        int depth = tree.depthOf(node);
        return lines.hold(depth)
                && band + 1 < bands.size()
                && !bands.kind(band + 1).isTotals()
                && isIn(bands.node(band + 1), node, depth);
    }

    /** The groups above a band whose headings a new page repeats, outermost first. */
    List<Integer> above(int band) {
        List<Integer> open = new ArrayList<>();
        BandKind kind = bands.kind(band);
        int node = bands.node(band);
        boolean inside = kind == BandKind.DETAIL || kind == BandKind.OTHER_ROWS || kind == BandKind.GROUP_FOOTER;
        for (int n = inside ? node : tree.parentOf(node); n > GroupTree.ROOT; n = tree.parentOf(n)) {
            if (level(tree.depthOf(n)).print().header() == Header.HEADING || lines.hold(tree.depthOf(n))) {
                open.addFirst(n);
            }
        }
        return open;
    }
}
