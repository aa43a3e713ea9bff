package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.page.BlockFlow.Position;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.plan.BlockRowPlan;
import org.grammatus.core.plan.RunInputs;

/**
 * A report broken into pages. Breaks are found in one pass; a page is made when it is asked for. Blocks in one row stand side by side,
 * each flows in its own column, and the next row begins below the longest. Thread-safe.
 */
public final class Pages {

    /** Between rows of blocks. */
    private static final int BETWEEN_ROWS = 2_000;
    /** Type as it is designed, in percent, and how much smaller it is set at a time. */
    private static final int WHOLE = 100;

    private static final int STEP = 5;
    /** Between blocks that stand side by side. */
    private static final int BETWEEN_BLOCKS = 2_400;

    private final Paper paper;
    private final PageFurniture furniture;
    private final List<BlockPlace> blocks;
    private final ContinuousView strips;
    /** By page, then in reading order. */
    private final List<Segment> segments;

    private final int[] firstSegment;
    private final GroupPages groups;
    private final PageFigures figures;

    private Pages(List<BlockPlace> blocks, List<BlockRowPlan> rows, Paper paper, BooleanSupplier cancelled) {
        this.blocks = blocks;
        this.paper = paper;
        this.furniture = new PageFurniture(blocks, paper);
        this.strips = new ContinuousView(blocks, paper);
        List<Segment> found = flowed(rows, cancelled);
        found.sort(Comparator.comparingInt(Segment::page).thenComparingInt(Segment::block));
        this.segments = List.copyOf(found);
        int pages = segments.getLast().page();
        this.firstSegment = new int[pages + 1];
        firstSegment[pages] = segments.size();
        for (int page = pages, i = segments.size(); page > 0; page--) {
            while (i > 0 && segments.get(i - 1).page() >= page) {
                i--;
            }
            // A back that was left empty has none.
            firstSegment[page - 1] = i;
        }
        this.groups = new GroupPages(blocks, segments, firstSegment);
        this.figures = new PageFigures(blocks, segments, firstSegment);
    }

    /**
     * Breaks a report that is one table into pages.
     *
     * @throws org.grammatus.core.problem.ProblemException if the columns do not fit the paper
     */
    public static Pages of(Bands bands, BooleanSupplier cancelled) {
        String id = bands.grouped().plan().id();
        return of(
                List.of(bands),
                List.of(new BlockRowPlan(List.of(new BlockRowPlan.Place(id, 1)), false, false)),
                cancelled);
    }

    /**
     * Breaks blocks into pages.
     *
     * @param tables in reading order
     * @param rows which of them stand side by side, from the top
     * @throws org.grammatus.core.problem.ProblemException if the report is one block that does not fit
     */
    public static Pages of(List<Bands> tables, List<BlockRowPlan> rows, BooleanSupplier cancelled) {
        Pages whole = of(tables, rows, WHOLE, cancelled);
        int most = whole.inputs().page().pages().orElse(Integer.MAX_VALUE);
        return whole.count() <= most ? whole : smaller(tables, rows, most, cancelled);
    }

    /** In the largest type in which it needs no more pages than that; in the smallest where it needs more in any. */
    private static Pages smaller(List<Bands> tables, List<BlockRowPlan> rows, int most, BooleanSupplier cancelled) {
        int fits = ColumnLayout.LEAST_PERCENT;
        Pages found = of(tables, rows, fits, cancelled);
        int fitsNot = WHOLE;
        while (fitsNot - fits > STEP) {
            int between = (fits + fitsNot) / 2 / STEP * STEP;
            Pages tried = of(tables, rows, between, cancelled);
            if (tried.count() <= most) {
                found = tried;
                fits = between;
            } else {
                fitsNot = between;
            }
        }
        return found;
    }

    private static Pages of(List<Bands> tables, List<BlockRowPlan> rows, int percent, BooleanSupplier cancelled) {
        RunInputs inputs = tables.getFirst().grouped().plan().inputs();
        Paper paper = Paper.of(inputs.page().sheet());
        List<BlockPlace> blocks = new ArrayList<>();
        int place = 0;
        int marks = 0;
        for (Bands table : tables) {
            int[] span = span(table, rows, paper.printableWidth());
            // A report that is one block is refused as a whole: its reader can take it away in another format.
            BlockLayout layout = tables.size() == 1
                    ? BlockLayout.of(table, span[1], paper.printableWidth(), percent)
                    : BlockLayout.orRefused(table, span[1], paper.printableWidth(), percent);
            blocks.add(new BlockPlace(
                    blocks.size(), layout, new OpenGroups(layout.bands()), paper.left() + span[0], place, marks));
            place += table.grouped().tree().nodeCount();
            marks += table.grouped().plan().highlights().size();
        }
        return new Pages(List.copyOf(blocks), rows, paper, cancelled);
    }

    /** A block's left edge and width, in its row. */
    private static int[] span(Bands table, List<BlockRowPlan> rows, int width) {
        for (BlockRowPlan row : rows) {
            int free = width - BETWEEN_BLOCKS * (row.places().size() - 1);
            int all = row.places().stream().mapToInt(BlockRowPlan.Place::share).sum();
            int before = 0;
            for (int i = 0; i < row.places().size(); i++) {
                BlockRowPlan.Place place = row.places().get(i);
                if (place.block().equals(table.grouped().plan().id())) {
                    int left = (int) ((long) free * before / all);
                    int right = (int) ((long) free * (before + place.share()) / all);
                    return new int[] {left + i * BETWEEN_BLOCKS, right - left};
                }
                before += place.share();
            }
        }
        return new int[] {0, width};
    }

    private List<Segment> flowed(List<BlockRowPlan> rows, BooleanSupplier cancelled) {
        List<Segment> found = new ArrayList<>();
        int topOfLater = furniture.headerHeight();
        int bottom = paper.bottom() - paper.top() - furniture.footerHeight();
        int topOfFirst = furniture.hasFirstHeader() ? topOfLater : 0;
        Position next = new Position(1, topOfFirst);
        for (int i = 0; i < rows.size(); i++) {
            boolean another = i > 0
                    && (rows.get(i).newPage()
                            || rows.get(i).keepTogether() && !fits(rows.get(i), next.y(), topOfLater, bottom));
            Position start = another ? new Position(next.page() + 1, topOfLater) : next;
            Position end = start;
            for (BlockRowPlan.Place place : rows.get(i).places()) {
                BlockPlace block = block(place.block());
                Position own = i == 0 ? new Position(1, topOfFirst + belowTitle(block)) : start;
                Position over = BlockFlow.flow(block, own, topOfFirst, topOfLater, bottom, found, cancelled);
                end = over.compareTo(end) > 0 ? over : end;
            }
            next = new Position(end.page(), end.y() + BETWEEN_ROWS);
        }
        return found;
    }

    /** Whether all blocks of a row end on the page on which they begin; as well as they can, where they are taller than any. */
    private boolean fits(BlockRowPlan row, int top, int topOfLater, int bottom) {
        int tallest = row.places().stream()
                .mapToInt(place -> block(place.block()).layout().wholeHeight(bottom))
                .max()
                .orElse(0);
        return top + tallest <= bottom || topOfLater + tallest > bottom;
    }

    /** The report's title stands in its first block and above all that begin beside it. */
    private int belowTitle(BlockPlace block) {
        BlockLayout first = blocks.getFirst().layout();
        boolean beside = block.index() > 0 && first.bands().kind(0) == BandKind.REPORT_HEADER;
        return beside ? first.height(0) : 0;
    }

    private BlockPlace block(String id) {
        return blocks.stream()
                .filter(block -> block.layout().plan().id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    public int count() {
        return firstSegment.length - 1;
    }

    /**
     * Makes a page.
     *
     * @param number from 1 to {@link #count}
     */
    public Page page(int number) {
        if (number < 1 || number > count()) {
            throw new IllegalArgumentException("Page " + number + " of " + count());
        }
        // A layout prints for one thread at a time, whether pages or strips.
        synchronized (blocks) {
            PageAssembler sheet = new PageAssembler(blocks, paper, number, count());
            furniture.watermark(sheet);
            PageFurniture.OfPage says = new PageFurniture.OfPage(groups.of(number), figures.of(number));
            furniture.header(sheet, says);
            int end = paper.top();
            for (int i = firstSegment[number - 1]; i < firstSegment[number]; i++) {
                Segment segment = segments.get(i);
                PageBuilder builder = new PageBuilder(blocks.get(segment.block()), sheet, paper.top() + segment.top());
                builder.segment(segment.from(), segment.to());
                end = Math.max(end, builder.y());
            }
            sheet.begin(blocks.getFirst());
            Paper cut = inputs().page().sheet().roll() ? paper.cutBelow(end, furniture.footerHeight()) : paper;
            furniture.footer(sheet, cut, says);
            Page built = sheet.built(cut.height());
            return isBack(number) ? MirroredPage.of(built, paper.mirroredBy()) : built;
        }
    }

    /** Whether a page is the back of a sheet whose margins are mirrored. */
    private boolean isBack(int number) {
        return inputs().page().sheet().mirrored() && number % 2 == 0;
    }

    /** The same bands without breaks. Thread-safe. */
    public ContinuousView strips() {
        return strips;
    }

    /**
     * Number of the page on which a band stands.
     *
     * @param block index of its block
     */
    public int pageOf(int block, int band) {
        return segments.stream()
                .filter(segment -> segment.block() == block && band >= segment.from() && band < segment.to())
                .mapToInt(Segment::page)
                .findFirst()
                .orElse(1);
    }

    /** What all of the report is made with. */
    public RunInputs inputs() {
        return blocks.getFirst().layout().plan().inputs();
    }

    /** The bands of its blocks, in reading order. */
    public List<Bands> blocks() {
        return blocks.stream().map(block -> block.layout().bands()).toList();
    }
}
