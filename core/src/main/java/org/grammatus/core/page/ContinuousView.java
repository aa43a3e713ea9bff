package org.grammatus.core.page;

import java.util.Arrays;
import java.util.List;

/**
 * A report as one continuous list: the same bands without breaks, page headers and footers, cut into strips that are made when
 * they are asked for, its blocks one below the other. Where it is one table, its column headings are a strip of their own, to be kept in
 * sight; of several, each has its own above it. Thread-safe.
 */
public final class ContinuousView {

    private static final int BANDS = 40;
    private static final int BETWEEN_BLOCKS = 1_500;

    private final Object lock;
    private final List<BlockPlace> blocks;
    private final Paper paper;
    /** By block: number of its first strip, from 0; one more than blocks at the end. */
    private final int[] first;

    private int[] heights;

    /** @param onPages the blocks as they stand on pages, which print for one thread at a time with it */
    ContinuousView(List<BlockPlace> onPages, Paper paper) {
        this.lock = onPages;
        this.blocks = onPages.stream().map(block -> block.at(paper.left())).toList();
        this.paper = paper;
        this.first = new int[blocks.size() + 1];
        for (int i = 0; i < blocks.size(); i++) {
            first[i + 1] = first[i] + (blocks.get(i).size() + BANDS - 1) / BANDS;
        }
    }

    public int count() {
        return first[blocks.size()];
    }

    private boolean isAlone() {
        return blocks.size() == 1;
    }

    /** The strips' heights, in hundredths of a point. */
    public int[] heights() {
        synchronized (lock) {
            if (heights == null) {
                int[] found = new int[count()];
                for (BlockPlace block : blocks) {
                    int from = first[block.index()];
                    found[from] +=
                            isAlone() ? 0 : BETWEEN_BLOCKS + block.layout().columnHeadingsHeight();
                    for (int band = 0; band < block.size(); band++) {
                        found[from + band / BANDS] += block.layout().height(band);
                    }
                }
                heights = found;
            }
            return Arrays.copyOf(heights, heights.length);
        }
    }

    /** The column headings of a single table alone; nothing for several. */
    public Page headings() {
        synchronized (lock) {
            PageAssembler sheet = new PageAssembler(blocks, paper, 0, count());
            PageBuilder builder = new PageBuilder(blocks.getFirst(), sheet, 0);
            if (isAlone()) {
                builder.columnHeadings();
            }
            return sheet.built(builder.y());
        }
    }

    /**
     * Makes a strip.
     *
     * @param number from 1 to {@link #count}
     */
    public Page strip(int number) {
        if (number < 1 || number > count()) {
            throw new IllegalArgumentException("Strip " + number + " of " + count());
        }
        BlockPlace block = blocks.stream()
                .filter(each -> number <= first[each.index() + 1])
                .findFirst()
                .orElseThrow();
        int within = number - 1 - first[block.index()];
        int from = within * BANDS;
        int to = Math.min(block.size(), from + BANDS);
        synchronized (lock) {
            PageAssembler sheet = new PageAssembler(blocks, paper, number, count());
            boolean opens = within == 0 && !isAlone();
            PageBuilder builder = new PageBuilder(block, sheet, opens ? BETWEEN_BLOCKS : 0);
            if (opens) {
                builder.segment(from, to);
            } else {
                builder.strip(from, to);
            }
            return sheet.built(builder.y());
        }
    }

    /**
     * Number of the strip in which a band stands.
     *
     * @param block index of its block
     */
    public int stripOf(int block, int band) {
        return first[block] + band / BANDS + 1;
    }
}
