package org.grammatus.export.pdf;

import java.util.Iterator;
import java.util.Optional;
import org.grammatus.core.page.Page;
import org.openpdf.text.DocumentException;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfDictionary;
import org.openpdf.text.pdf.PdfName;
import org.openpdf.text.pdf.PdfObject;
import org.openpdf.text.pdf.PdfString;

/** Draws pages, text by text where the page model says. */
final class PdfPainter {

    static final float HUNDREDTHS = 100f;

    private final PdfFonts fonts;
    private final Optional<PdfTags> tags;

    /** @param tags what says what texts are; none for a file without tags */
    PdfPainter(PdfFonts fonts, Optional<PdfTags> tags) {
        this.fonts = fonts;
        this.tags = tags;
    }

    /** From the bottom of the page, in points. */
    static float up(Page page, int y) {
        return (page.height() - y) / HUNDREDTHS;
    }

    void paint(Page page, PdfContentByte content) throws DocumentException {
        if (!page.drawings().fills().isEmpty()
                || !page.drawings().pictures().isEmpty()
                || !page.drawings().rules().isEmpty()) {
            tags.ifPresent(t -> t.paper(content));
            fills(page, content);
            PdfPictures.draw(page, content);
            rules(page, content);
            tags.ifPresent(t -> t.endPaper(content));
        }
        texts(page, content);
    }

    /** Colours what is behind what is marked. */
    private static void fills(Page page, PdfContentByte content) {
        for (Page.Fill fill : page.drawings().fills()) {
            PdfColours.fill(content, page.drawings().fillColours().get(fill.colour()));
            content.rectangle(
                    fill.x() / HUNDREDTHS,
                    up(page, fill.y() + fill.height()),
                    fill.width() / HUNDREDTHS,
                    fill.height() / HUNDREDTHS);
            content.fill();
        }
    }

    private static void rules(Page page, PdfContentByte content) {
        int ink = Page.NONE;
        for (Page.Rule rule : page.drawings().rules()) {
            if (rule.ink() != ink) {
                ink = rule.ink();
                PdfColours.stroke(content, page.drawings().ruleInks().get(ink));
            }
            float y = up(page, rule.y());
            content.setLineWidth(rule.thickness() / HUNDREDTHS);
            content.moveTo(rule.x() / HUNDREDTHS, y);
            content.lineTo((rule.x() + rule.width()) / HUNDREDTHS, y);
            content.stroke();
        }
    }

    private void texts(Page page, PdfContentByte content) {
        content.beginText();
        Iterator<Page.Run> runs = page.fonts().runs().iterator();
        Page.Run run = next(runs);
        int style = Page.NONE;
        int x = 0;
        int y = page.height();
        for (int i = 0; i < page.cells().size(); i++) {
            Page.Cell cell = page.cells().get(i);
            if (tags.isPresent()) {
                tags.get().cell(i, content);
            }
            if (cell.style() != style) {
                style = cell.style();
                setStyle(content, page, page.fonts().styles().get(style));
            }
            String text = page.texts().get(cell.text());
            boolean plain = run == null || run.cell() != i;
            if (cell.turned()) {
                content.setTextMatrix(0, 1, -1, 0, cell.x() / HUNDREDTHS, up(page, cell.y()));
            } else {
                // Moves relative to the last text keep the file small.
                content.moveText((cell.x() - x) / HUNDREDTHS, (y - cell.y()) / HUNDREDTHS);
            }
            x = cell.x();
            y = cell.y();
            if (plain) {
                content.showText(text);
            } else {
                beginText(content, text);
                for (; run != null && run.cell() == i; run = next(runs)) {
                    Page.Style drawn = page.fonts().styles().get(style);
                    content.setFontAndSize(fonts.of(run.family(), drawn.face()), drawn.size() / HUNDREDTHS);
                    content.moveText((cell.x() + run.x() - x) / HUNDREDTHS, 0);
                    x = cell.x() + run.x();
                    content.showText(run.text());
                }
                content.endMarkedContentSequence();
                style = Page.NONE;
            }
            if (cell.turned()) {
                content.setTextMatrix(cell.x() / HUNDREDTHS, up(page, cell.y()));
                x = cell.x();
            }
        }
        tags.ifPresent(t -> t.end(content));
        content.endText();
    }

    private static Page.Run next(Iterator<Page.Run> runs) {
        return runs.hasNext() ? runs.next() : null;
    }

    /** Begins what is drawn of a text that is read otherwise, with what is to be read. */
    private static void beginText(PdfContentByte content, String text) {
        PdfDictionary said = new PdfDictionary();
        said.put(PdfName.ACTUALTEXT, new PdfString(text, PdfObject.TEXT_UNICODE));
        content.beginMarkedContentSequence(PdfName.SPAN, said, true);
    }

    private void setStyle(PdfContentByte content, Page page, Page.Style style) {
        content.setFontAndSize(fonts.of(page.fonts().family(), style.face()), style.size() / HUNDREDTHS);
        PdfColours.fill(content, style.ink());
    }
}
