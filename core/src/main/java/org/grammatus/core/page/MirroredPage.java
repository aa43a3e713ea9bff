package org.grammatus.core.page;

import java.util.List;
import java.util.function.UnaryOperator;

/** The back of a sheet that is printed on both sides: everything stands further to one side, where its binding is not. */
final class MirroredPage {

    private MirroredPage() {}

    /** @param by how much further right everything stands, in hundredths of a point */
    static Page of(Page page, int by) {
        return new Page(
                page.number(),
                page.of(),
                page.width(),
                page.height(),
                page.fonts(),
                page.texts(),
                moved(
                        page.cells(),
                        c -> new Page.Cell(
                                c.x() + by,
                                c.y(),
                                c.width(),
                                c.text(),
                                c.style(),
                                c.node(),
                                c.id(),
                                c.figure(),
                                c.turned())),
                of(page.drawings(), by),
                page.ids(),
                page.nodes(),
                page.bands(),
                of(page.parts(), by));
    }

    private static Page.Drawings of(Page.Drawings drawings, int by) {
        return new Page.Drawings(
                moved(drawings.rules(), r -> new Page.Rule(r.x() + by, r.y(), r.width(), r.thickness(), r.ink())),
                drawings.ruleInks(),
                moved(drawings.fills(), f -> new Page.Fill(f.x() + by, f.y(), f.width(), f.height(), f.colour())),
                drawings.fillColours(),
                moved(drawings.pictures(), p -> new Page.PictureBox(p.x() + by, p.y(), p.picture())));
    }

    private static Page.Parts of(Page.Parts parts, int by) {
        return new Page.Parts(
                moved(parts.blocks(), b -> new Page.BlockBox(b.id(), b.x() + by, b.width())),
                moved(parts.columns(), c -> new Page.ColumnBox(c.id(), c.x() + by, c.width(), c.block())),
                parts.marks(),
                parts.braces());
    }

    private static <T> List<T> moved(List<T> parts, UnaryOperator<T> move) {
        return parts.stream().map(move).toList();
    }
}
