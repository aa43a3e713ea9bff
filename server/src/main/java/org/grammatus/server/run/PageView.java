package org.grammatus.server.run;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.grammatus.core.page.Page;

/** A page, its many small parts as flat lists of whole numbers so that it stays small. */
public record PageView(
        int number,
        int of,
        @Schema(description = "Hundredths of a point") int width,
        @Schema(description = "Hundredths of a point") int height,
        Page.Fonts fonts,
        List<String> texts,

        @Schema(
                description =
                        "Texts in their places; baseline, index of the text, of its style, of its group, of its id or -1, and 1 for what is so")
        FlatList cells,

        DrawingsView drawings,
        List<String> ids,
        List<Page.Node> nodes,

        @Schema(
                description =
                        "Rows of the page from the top; index of the role, of the group, of the first cell, number of the row or -1, index of the mark or -1, of the block")
        FlatList bands,

        PartsView parts) {

    /** What is drawn besides texts. */
    public record DrawingsView(
            @Schema(description = "Lines; the ink is an index of the inks")
            FlatList rules,

            @Schema(description = "Inks of the rules, as #rrggbb")
            List<String> ruleInks,

            @Schema(description = "Coloured grounds; the colour is an index of the colours")
            FlatList fills,

            @Schema(description = "Colours of the grounds, as #rrggbb")
            List<String> fillColours,

            List<PictureView> pictures) {}

    /** Which parts of the report stand where. */
    public record PartsView(
            @Schema(description = "The report's blocks") List<Page.BlockBox> blocks,

            @Schema(description = "The columns, block by block from left to right")
            List<Page.ColumnBox> columns,

            @Schema(description = "The highlights that marks refer to, by index")
            List<Page.Mark> marks,

            @Schema(description = "The rows that feed a group's totals; 1 if the group opens, or closes, on this page")
            FlatList braces,

            @Schema(description = "The roles that bands refer to, by index")
            List<Page.BandRole> roles) {}

    public static PageView of(Page page) {
        return new PageView(
                page.number(),
                page.of(),
                page.width(),
                page.height(),
                page.fonts(),
                page.texts(),
                FlatList.of(
                        List.of("x", "baseline", "width", "text", "style", "node", "id", "figure", "turned"),
                        page.cells(),
                        c -> new int[] {
                            c.x(),
                            c.y(),
                            c.width(),
                            c.text(),
                            c.style(),
                            c.node(),
                            c.id(),
                            c.figure() ? 1 : 0,
                            c.turned() ? 1 : 0
                        }),
                drawings(page.drawings()),
                page.ids(),
                page.nodes(),
                FlatList.of(
                        List.of("role", "top", "height", "node", "firstCell", "row", "mark", "block"),
                        page.bands(),
                        b -> new int[] {
                            b.role().ordinal(),
                            b.top(),
                            b.height(),
                            b.node(),
                            b.firstCell(),
                            b.row(),
                            b.mark(),
                            b.block()
                        }),
                parts(page.parts()));
    }

    private static DrawingsView drawings(Page.Drawings drawings) {
        return new DrawingsView(
                FlatList.of(List.of("x", "y", "width", "thickness", "ink"), drawings.rules(), r ->
                        new int[] {r.x(), r.y(), r.width(), r.thickness(), r.ink()}),
                drawings.ruleInks(),
                FlatList.of(List.of("x", "y", "width", "height", "colour"), drawings.fills(), f ->
                        new int[] {f.x(), f.y(), f.width(), f.height(), f.colour()}),
                drawings.fillColours(),
                drawings.pictures().stream().map(PictureView::of).toList());
    }

    private static PartsView parts(Page.Parts parts) {
        return new PartsView(
                parts.blocks(),
                parts.columns(),
                parts.marks(),
                FlatList.of(List.of("node", "top", "bottom", "opens", "closes", "block"), parts.braces(), b ->
                        new int[] {b.node(), b.top(), b.bottom(), b.opens() ? 1 : 0, b.closes() ? 1 : 0, b.block()}),
                List.of(Page.BandRole.values()));
    }
}
