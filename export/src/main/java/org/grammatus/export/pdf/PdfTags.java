package org.grammatus.export.pdf;

import java.io.IOException;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.page.Page;
import org.openpdf.text.pdf.PdfArray;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfDictionary;
import org.openpdf.text.pdf.PdfName;
import org.openpdf.text.pdf.PdfNumber;
import org.openpdf.text.pdf.PdfStructureElement;
import org.openpdf.text.pdf.PdfWriter;

/**
 * The tags of a file: what its texts are, for those who have it read to them. What is said of a page is written with it and
 * forgotten; only references to it are kept.
 */
final class PdfTags {

    private static final PdfName ARTIFACT = new PdfName("Artifact");
    private static final PdfName SCOPE = new PdfName("Scope");
    private static final PdfName COL_SPAN = new PdfName("ColSpan");
    private static final PdfName TABLE = new PdfName("Table");

    private final PdfWriter writer;
    private final PdfStructureElement document;
    private final PageStructure structure = new PageStructure();
    private final Map<PageElement, PdfStructureElement> written = new IdentityHashMap<>();
    private PageStructure.OfPage page;
    /** What is open now, if anything is. */
    private Optional<PageElement> open = Optional.empty();

    private boolean begun;

    PdfTags(PdfWriter writer) {
        this.writer = writer;
        this.document = new PdfStructureElement(writer.getStructureTreeRoot(), new PdfName("Document"));
    }

    void begin(Page next) {
        page = structure.next(next);
        written.clear();
        PdfStructureElement part = new PdfStructureElement(document, new PdfName("Part"));
        page.elements().forEach(element -> add(element, part));
    }

    private void add(PageElement element, PdfStructureElement parent) {
        PdfStructureElement added = new PdfStructureElement(parent, new PdfName(element.type()));
        if (!element.scope().isEmpty()) {
            PdfDictionary attributes = new PdfDictionary();
            attributes.put(PdfName.O, TABLE);
            attributes.put(SCOPE, new PdfName(element.scope()));
            if (element.columns() > 1) {
                attributes.put(COL_SPAN, new PdfNumber(element.columns()));
            }
            added.put(PdfName.A, attributes);
        }
        written.put(element, added);
        element.kids().forEach(kid -> add(kid, added));
    }

    /** Begins what belongs to the paper. */
    void paper(PdfContentByte content) {
        content.beginMarkedContentSequence(ARTIFACT);
    }

    void endPaper(PdfContentByte content) {
        content.endMarkedContentSequence();
    }

    /** Before a cell is drawn. */
    void cell(int cell, PdfContentByte content) {
        Optional<PageElement> of = page.ofCell().get(cell);
        if (begun && same(of, open)) {
            return;
        }
        end(content);
        open = of;
        begun = true;
        of.ifPresentOrElse(element -> content.beginMarkedContentSequence(written.get(element)), () -> paper(content));
    }

    private static boolean same(Optional<PageElement> one, Optional<PageElement> other) {
        return one.isPresent() ? other.isPresent() && one.get() == other.get() : other.isEmpty();
    }

    /** After the last cell. */
    void end(PdfContentByte content) {
        if (begun) {
            content.endMarkedContentSequence();
            begun = false;
        }
    }

    /** After the page is drawn: writes what was said of it. */
    void written() throws IOException {
        PdfArray parts = (PdfArray) document.get(PdfName.K);
        int last = parts.size() - 1;
        PdfStructureElement part = (PdfStructureElement) parts.getPdfObject(last);
        write(part);
        parts.set(last, part.getReference());
    }

    private void write(PdfStructureElement element) throws IOException {
        if (element.get(PdfName.K) instanceof PdfArray kids) {
            for (int k = 0; k < kids.size(); k++) {
                if (kids.getPdfObject(k) instanceof PdfStructureElement kid) {
                    write(kid);
                    kids.set(k, kid.getReference());
                }
            }
        }
        writer.addToBody(element, element.getReference());
    }
}
