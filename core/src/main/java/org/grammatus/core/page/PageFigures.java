package org.grammatus.core.page;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.PageFigure;
import org.grammatus.core.plan.TablePlan;

/** The figures in headers and footers, page by page, computed when pages are broken. */
final class PageFigures {

    private final List<Segment> segments;
    private final int[] firstSegment;
    /** By page, then by expression: the printed figure. */
    private final List<Map<String, String>> byPage;

    /** @param firstSegment by page: its first segment; one more than pages at the end */
    PageFigures(List<BlockPlace> blocks, List<Segment> segments, int[] firstSegment) {
        this.segments = segments;
        this.firstSegment = firstSegment;
        this.byPage = blocks.stream()
                .filter(each -> !each.layout().plan().pageFigures().isEmpty())
                .findFirst()
                .map(block -> IntStream.range(1, firstSegment.length)
                        .mapToObj(number -> of(block, rows(block, number)))
                        .toList())
                .orElse(List.of());
    }

    /**
     * By expression, the printed figure of a page.
     *
     * @param number from 1
     */
    Map<String, String> of(int number) {
        return byPage.isEmpty() ? Map.of() : byPage.get(number - 1);
    }

    private static Map<String, String> of(BlockPlace block, int[] rows) {
        List<PageFigure> figures = block.layout().plan().pageFigures();
        Map<String, String> values = new HashMap<>();
        for (int figure = 0; figure < figures.size(); figure++) {
            values.put(
                    figures.get(figure).text(),
                    block.layout().contents().printed().ofPage(figure, rows));
        }
        return values;
    }

    /** The rows that are printed; of a table without rows those of the groups of its innermost level that begin on the page. */
    private int[] rows(BlockPlace block, int number) {
        Bands bands = block.layout().bands();
        IntStream here = segments.subList(firstSegment[number - 1], firstSegment[number]).stream()
                .filter(segment -> segment.block() == block.index())
                .flatMapToInt(segment -> IntStream.range(segment.from(), segment.to()));
        TablePlan plan = block.layout().plan();
        if (plan.printsRows()) {
            return here.filter(band -> bands.kind(band) == BandKind.DETAIL)
                    .map(bands::row)
                    .toArray();
        }
        GroupTree tree = bands.grouped().tree();
        int depth = plan.innermostPrinted();
        return here.filter(band -> depth > 0
                        && tree.depthOf(bands.node(band)) == depth
                        && begins(bands.kind(band), plan.levels().get(depth - 1)))
                .flatMap(band -> bands.grouped().rows().ofPages().of(bands.node(band), tree))
                .toArray();
    }

    private static boolean begins(BandKind kind, LevelPlan level) {
        return switch (level.print().header()) {
            case LINE -> kind == BandKind.GROUP_LINE;
            case HEADING -> kind == BandKind.GROUP_HEADING;
            case NONE -> kind == BandKind.GROUP_FOOTER;
        };
    }
}
