package org.grammatus.server.run;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import org.grammatus.core.page.Page;

/** A page, its many small parts as flat lists of whole numbers so that it stays small. */
public record PageView(
        int number,
        int of,
        @Schema(description = "Hundredths of a point") int width,
        @Schema(description = "Hundredths of a point") int height,

        @Schema(description = "What texts are set in, unless a run says otherwise")
        String family,

        List<Page.Style> styles,
        List<Page.Node> nodes,
        List<String> ids,
        List<String> texts,

        @Schema(description = "The roles that bands refer to, by index")
        List<Page.BandRole> roles,

        @Schema(description = "Eight numbers each: role, top, height, node, first cell, row or -1, mark or -1, block")
        int[] bands,

        @Schema(
                description =
                        "Eight numbers each: x, baseline, width, text, style, node, id or -1, 1 for a figure, 2 for a text that reads from bottom to top")
        int[] cells,

        @Schema(description = "What is drawn of the texts that are not plain, cell by cell")
        List<Page.Run> runs,

        @Schema(description = "Five numbers each: x, y, width, thickness, ink")
        int[] rules,

        @Schema(description = "Inks of the rules, as #rrggbb")
        List<String> ruleInks,

        @Schema(description = "Coloured grounds; five numbers each: x, y, width, height, colour")
        int[] fills,

        @Schema(description = "Colours of the grounds, as #rrggbb")
        List<String> fillColours,

        @Schema(description = "Six numbers each: node, top, bottom, 1 if it opens here, 1 if it closes here, block")
        int[] braces,

        List<PictureView> pictures,

        @Schema(description = "The report's blocks") List<Page.BlockBox> blocks,

        @Schema(description = "The columns, block by block from left to right")
        List<Page.ColumnBox> columns,

        @Schema(description = "The highlights that marks refer to, by index")
        List<Page.Mark> marks) {

    public static PageView of(Page page) {
        return new PageView(
                page.number(),
                page.of(),
                page.width(),
                page.height(),
                page.family(),
                page.styles(),
                page.nodes(),
                page.ids(),
                page.texts(),
                List.of(Page.BandRole.values()),
                flat(page.bands(), b -> new int[] {
                    b.role().ordinal(), b.top(), b.height(), b.node(), b.firstCell(), b.row(), b.mark(), b.block()
                }),
                flat(page.cells(), c -> new int[] {
                    c.x(), c.y(), c.width(), c.text(), c.style(), c.node(), c.id(), c.turned() ? 2 : c.figure() ? 1 : 0
                }),
                page.runs(),
                flat(page.rules(), r -> new int[] {r.x(), r.y(), r.width(), r.thickness(), r.ink()}),
                page.ruleInks(),
                flat(page.fills(), f -> new int[] {f.x(), f.y(), f.width(), f.height(), f.colour()}),
                page.fillColours(),
                flat(page.braces(), b ->
                        new int[] {b.node(), b.top(), b.bottom(), b.opens() ? 1 : 0, b.closes() ? 1 : 0, b.block()}),
                page.pictures().stream().map(PictureView::of).toList(),
                page.blocks(),
                page.columns(),
                page.marks());
    }

    private static <T> int[] flat(List<T> parts, Function<T, int[]> numbers) {
        return parts.stream().map(numbers).flatMapToInt(Arrays::stream).toArray();
    }
}
