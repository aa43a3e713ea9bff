package org.grammatus.export.pdf;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Pages;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.export.CallersStream;
import org.grammatus.export.Printout;
import org.grammatus.export.ReportWriter;
import org.openpdf.text.Document;
import org.openpdf.text.Rectangle;
import org.openpdf.text.pdf.PdfWriter;

/**
 * The pages as PDF (ISO 32000-1): embedded subset fonts, real text, a bookmark for each group with a heading, title and language; tagged
 * as PDF/UA-1 asks, up to {@value #MOST_TAGGED} pages.
 */
public final class PdfReportWriter implements ReportWriter {

    /** What is kept of tags until a file is whole grows with its pages. */
    public static final int MOST_TAGGED = 5_000;

    /** What is kept of every page until the file is whole fits the least memory that a server has. */
    private static final int MOST_PAGES = 30_000;

    private final int mostTagged;

    public PdfReportWriter() {
        this(MOST_TAGGED);
    }

    /** @param mostTagged of so many pages at most a file is tagged */
    public PdfReportWriter(int mostTagged) {
        this.mostTagged = mostTagged;
    }

    @Override
    public void write(Printout printout, OutputStream out, WriteProgress progress) throws IOException {
        CallersStream stream = new CallersStream(out);
        try {
            write(printout.pages(), stream, progress);
        } catch (RuntimeException e) {
            stream.rethrowFailure();
            throw e;
        }
        stream.rethrowFailure();
    }

    private void write(Pages pages, CallersStream stream, WriteProgress progress) throws IOException {
        if (pages.count() > MOST_PAGES) {
            throw new ProblemException(Problem.error(
                    "",
                    String.format(
                            Locale.ROOT,
                            "the PDF would have %,d pages, more than the %,d that one file may have; narrow the report, or take it as CSV",
                            pages.count(),
                            MOST_PAGES)));
        }
        PdfIdentity identity = new PdfIdentity(pages.inputs());
        Page first = pages.page(1);
        Document document = new Document(paper(first));
        PdfWriter writer = PdfWriter.getInstance(document, stream);
        identity.describe(document, writer);
        boolean tagged = pages.count() <= mostTagged;
        if (tagged) {
            identity.sayTagged(writer);
            writer.setPdfVersion(PdfWriter.VERSION_1_7);
            // Tags are many small objects, which are kept together and compressed.
            writer.setFullCompression();
            writer.setTagged();
        } else {
            PdfIdentity.sayUntagged(document, mostTagged);
        }
        document.open();
        identity.date(writer);
        Optional<PdfTags> tags = tagged ? Optional.of(new PdfTags(writer)) : Optional.empty();
        PdfPainter painter = new PdfPainter(new PdfFonts(pages.inputs().family()), tags);
        PdfBookmarks bookmarks = new PdfBookmarks();
        for (int number = 1; number <= pages.count(); number++) {
            if (!progress.pagesWritten(number - 1)) {
                throw new CancellationException("The export was cancelled");
            }
            Page page = number == 1 ? first : pages.page(number);
            if (number > 1) {
                // The last piece of a roll is as long as it is.
                document.setPageSize(paper(page));
                document.newPage();
            }
            tags.ifPresent(t -> t.begin(page));
            painter.paint(page, writer.getDirectContent());
            bookmarks.add(page, writer.getDirectContent());
            if (tags.isPresent()) {
                tags.get().written();
            }
        }
        document.close();
    }

    private static Rectangle paper(Page page) {
        return new Rectangle(page.width() / PdfPainter.HUNDREDTHS, page.height() / PdfPainter.HUNDREDTHS);
    }
}
