package org.grammatus.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.layout.PageLines;

/**
 * The paper as it is printed, and what stands at its edges.
 *
 * @param header text at the left of every page but the first; the title unless given
 * @param footer text at the left below every page; dataset and business date unless given
 * @param lines what stands at the edges instead
 * @param watermark a word across every page
 * @param draft whether pages say that they are those of a draft, with the watermark where there is one
 * @param pages on how many it is to fit, in smaller type
 * @param block id of the block whose rows its texts add up; the only table's unless given
 */
public record PagePlan(
        Sheet sheet,
        Optional<PageText> header,
        Optional<PageText> footer,
        PageLines<PageText> lines,
        Optional<String> watermark,
        boolean draft,
        Optional<Integer> pages,
        Optional<String> block) {

    /**
     * A sheet of paper with its margins, in hundredths of a point.
     *
     * @param roll whether it is cut where it ends; its height is then the most that it may have
     * @param mirrored whether left and right margins change places on even pages
     */
    public record Sheet(
            int width, int height, int top, int right, int bottom, int left, boolean roll, boolean mirrored) {}

    /** All texts at its edges. */
    public List<PageText> texts() {
        Stream<PageText> ofLines = Stream.of(lines.header(), lines.footer(), lines.firstHeader(), lines.firstFooter())
                .flatMap(Optional::stream)
                .flatMap(line -> Stream.of(line.start(), line.centre(), line.end()))
                .flatMap(Optional::stream);
        return Stream.concat(Stream.of(header, footer).flatMap(Optional::stream), ofLines)
                .toList();
    }
}
