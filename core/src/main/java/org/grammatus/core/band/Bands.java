package org.grammatus.core.band;

import java.util.Arrays;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.LevelPlan;

/** The bands of a report from first to last, three small numbers each. Immutable. */
public final class Bands {

    /** Stands where a band has no row of its own. */
    public static final int NO_ROW = -1;

    private static final BandKind[] KINDS = BandKind.values();

    private final Grouped grouped;
    private byte[] kinds = new byte[1024];
    private int[] nodes = new int[1024];
    private int[] rows = new int[1024];
    private int size;

    private Bands(Grouped grouped) {
        this.grouped = grouped;
    }

    /** Lays the result of a report's only or first table out as bands. */
    public static Bands of(Grouped grouped) {
        return of(grouped, true);
    }

    /**
     * Lays a result out as bands.
     *
     * @param first whether the report begins with it
     */
    public static Bands of(Grouped grouped, boolean first) {
        Bands bands = new Bands(grouped);
        bands.build(first);
        return bands;
    }

    private void build(boolean first) {
        GroupTree tree = grouped.tree();
        if (first) {
            add(BandKind.REPORT_HEADER, GroupTree.ROOT, NO_ROW);
        }
        if (grouped.plan().title().isPresent() || grouped.plan().note().isPresent()) {
            add(BandKind.BLOCK_HEADER, GroupTree.ROOT, NO_ROW);
        }
        if (grouped.rowsKept() == 0 && tree.nodeCount() == 1) {
            add(BandKind.EMPTY, GroupTree.ROOT, NO_ROW);
        }
        // The groups that are open, outermost first, and where each ends.
        int[] open = new int[tree.depths()];
        int[] ends = new int[tree.depths()];
        int depth = -1;
        for (int place = 0; place < tree.nodeCount(); place++) {
            while (depth >= 0 && ends[depth] < place) {
                close(open[depth--]);
            }
            int node = tree.nodeAt(place);
            open(node, place);
            open[++depth] = node;
            ends[depth] = tree.lastPlaceFrom(place);
        }
        while (depth >= 0) {
            close(open[depth--]);
        }
        kinds = Arrays.copyOf(kinds, size);
        nodes = Arrays.copyOf(nodes, size);
        rows = Arrays.copyOf(rows, size);
    }

    private void open(int node, int place) {
        int depth = grouped.tree().depthOf(node);
        if (depth > 0) {
            switch (level(depth).header()) {
                case HEADING -> add(BandKind.GROUP_HEADING, node, NO_ROW);
                case LINE -> add(BandKind.GROUP_LINE, node, NO_ROW);
                case NONE -> {}
            }
        }
        if (depth == grouped.tree().depths() - 1 && grouped.plan().printsRows()) {
            for (int i = grouped.rows().starts()[place]; i < grouped.rows().starts()[place + 1]; i++) {
                add(BandKind.DETAIL, node, grouped.rows().order()[i]);
            }
            if (grouped.rows().othersOf(node) > 0) {
                add(BandKind.OTHER_ROWS, node, NO_ROW);
            }
        }
    }

    private void close(int node) {
        int depth = grouped.tree().depthOf(node);
        if (depth == 0) {
            add(BandKind.REPORT_FOOTER, node, NO_ROW);
        } else if (level(depth).footer() == Footer.TOTALS) {
            add(BandKind.GROUP_FOOTER, node, NO_ROW);
        }
    }

    private LevelPlan level(int depth) {
        return grouped.plan().levels().get(depth - 1);
    }

    private void add(BandKind kind, int node, int row) {
        if (size == kinds.length) {
            kinds = Arrays.copyOf(kinds, size * 2);
            nodes = Arrays.copyOf(nodes, size * 2);
            rows = Arrays.copyOf(rows, size * 2);
        }
        kinds[size] = (byte) kind.ordinal();
        nodes[size] = node;
        rows[size++] = row;
    }

    public Grouped grouped() {
        return grouped;
    }

    public int size() {
        return size;
    }

    public BandKind kind(int band) {
        return KINDS[kinds[band]];
    }

    /** The group in which the band stands. */
    public int node(int band) {
        return nodes[band];
    }

    /** The grain's row that a detail band prints, or {@link #NO_ROW}. */
    public int row(int band) {
        return rows[band];
    }
}
