package org.grammatus.core.band;

import java.util.Arrays;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TextPlan;

/** The bands of a report from first to last, three small numbers each. Immutable. */
public final class Bands {

    /** Stands where a band has no row of its own. */
    public static final int NO_ROW = -1;

    private static final BandKind[] KINDS = BandKind.values();

    private final BlockPlan block;
    private final TableResult grouped;
    /** Why the block cannot be printed; empty where it can. */
    private final String refusal;

    private byte[] kinds = new byte[1024];
    private int[] nodes = new int[1024];
    private int[] rows = new int[1024];
    private int size;

    private Bands(BlockPlan block, TableResult grouped, String refusal) {
        this.block = block;
        this.grouped = grouped;
        this.refusal = refusal;
    }

    /** Lays the result of a report that is one table out as bands. */
    public static Bands of(TableResult grouped) {
        return of(grouped.plan(), grouped, true);
    }

    /**
     * Lays a block's result out as bands.
     *
     * @param first whether the report begins with it
     */
    public static Bands of(BlockPlan block, TableResult grouped, boolean first) {
        Bands bands = new Bands(block, grouped, "");
        bands.head(first);
        switch (block) {
            case TablePlan table -> bands.table();
            case FiguresPlan figures -> {
                bands.empty();
                bands.items(BandKind.FIGURE, figures.figures().size());
            }
            case TextPlan text ->
                bands.items(BandKind.PARAGRAPH, text.paragraphs().size());
        }
        return bands.built();
    }

    /** The same block, which says why it cannot be printed. */
    public Bands refused(String why) {
        Bands bands = new Bands(block, grouped, why);
        bands.head(kind(0) == BandKind.REPORT_HEADER);
        bands.add(BandKind.REFUSED, GroupTree.ROOT, NO_ROW);
        return bands.built();
    }

    private void head(boolean first) {
        if (first) {
            add(BandKind.REPORT_HEADER, GroupTree.ROOT, NO_ROW);
        }
        if (block.title().isPresent()
                || block.note().isPresent()
                || !block.facts().reach().isEmpty()
                || block.facts().layout().hasLegend()) {
            add(BandKind.BLOCK_HEADER, GroupTree.ROOT, NO_ROW);
        }
    }

    private void empty() {
        if (grouped.rowsKept() == 0 && grouped.tree().nodeCount() == 1) {
            add(BandKind.EMPTY, GroupTree.ROOT, NO_ROW);
        }
    }

    private void items(BandKind kind, int count) {
        for (int item = 0; item < count; item++) {
            add(kind, GroupTree.ROOT, item);
        }
    }

    private void table() {
        empty();
        TableWalk.printed(grouped).accept(new TableVisitor() {
            @Override
            public void open(int node) {
                heading(node);
            }

            @Override
            public void row(int node, int row) {
                add(BandKind.DETAIL, node, row);
            }

            @Override
            public void otherRows(int node) {
                add(BandKind.OTHER_ROWS, node, NO_ROW);
            }

            @Override
            public void close(int node) {
                footer(node);
            }
        });
    }

    private Bands built() {
        kinds = Arrays.copyOf(kinds, size);
        nodes = Arrays.copyOf(nodes, size);
        rows = Arrays.copyOf(rows, size);
        return this;
    }

    private void heading(int node) {
        int depth = grouped.tree().depthOf(node);
        if (depth > 0) {
            switch (level(depth).print().header()) {
                case HEADING -> add(BandKind.GROUP_HEADING, node, NO_ROW);
                case LINE -> add(BandKind.GROUP_LINE, node, NO_ROW);
                case NONE -> {}
            }
        }
    }

    private void footer(int node) {
        int depth = grouped.tree().depthOf(node);
        if (depth == 0) {
            add(BandKind.REPORT_FOOTER, node, NO_ROW);
        } else if (level(depth).print().footer() == Footer.TOTALS && isTotalled(node, depth)) {
            add(BandKind.GROUP_FOOTER, node, NO_ROW);
        }
    }

    /** Whether a group is large enough for its totals: by its rows, or where those are not printed by the groups inside it. */
    private boolean isTotalled(int node, int depth) {
        int from = level(depth).print().layout().totalsFrom().orElse(1);
        if (from <= 1) {
            return true;
        }
        GroupTree tree = grouped.tree();
        int place = tree.placeOf(node);
        if (grouped.plan().printsRows()) {
            int[] starts = grouped.rows().starts();
            long rows = starts[tree.lastPlaceFrom(place) + 1]
                    - starts[place]
                    + grouped.rows().othersOf(node);
            return rows >= from;
        }
        int inside = 0;
        for (int next = place + 1; next <= tree.lastPlaceFrom(place); next = tree.lastPlaceFrom(next) + 1) {
            inside++;
        }
        return inside >= from;
    }

    /** The nearest row above a band; {@value #NO_ROW} where none is. */
    public int rowAbove(int band) {
        for (int above = band - 1; above >= 0; above--) {
            if (kind(above) == BandKind.DETAIL) {
                return above;
            }
        }
        return NO_ROW;
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

    public BlockPlan block() {
        return block;
    }

    public TableResult grouped() {
        return grouped;
    }

    /** Why the block cannot be printed; empty where it can. */
    public String refusal() {
        return refusal;
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

    /** The grain's row that a detail band prints, the index of an item among its block's, or {@link #NO_ROW}. */
    public int row(int band) {
        return rows[band];
    }
}
