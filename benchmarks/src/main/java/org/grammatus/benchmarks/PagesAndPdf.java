package org.grammatus.benchmarks;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.band.Bands;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Pages;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.grammatus.export.Printout;
import org.grammatus.export.ReportWriter;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.export.pdf.PdfReportWriter;
import org.openpdf.text.Document;
import org.openpdf.text.Rectangle;
import org.openpdf.text.pdf.BaseFont;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfName;
import org.openpdf.text.pdf.PdfStructureElement;
import org.openpdf.text.pdf.PdfWriter;

/**
 * Breaking rows into pages, one page of many, and PDF pages beside the same texts in the same places put there by the raw writer alone.
 */
final class PagesAndPdf {

    private static final float HUNDREDTHS = 100f;
    /** Pages that are made one by one, spread over the report. */
    private static final int LOOKED_AT = 200;
    /** Pages whose texts the raw writer has at hand. */
    private static final int READY = 500;

    private PagesAndPdf() {}

    /** A report that is broken into pages. */
    private record PrintedReport(Bands bands, Pages pages) implements Printout {
        @Override
        public List<Bands> blocks() {
            return List.of(bands);
        }
    }

    static void run(int[] sizes) throws Exception {
        System.out.printf("%-46s %12s %12s %8s%n", "pages", "ours", "anchor", "ratio");
        for (int size : sizes) {
            OurEngine engine = new OurEngine(Lines.generate(size), OurEngine.resource("rows-on-pages.report.json"));
            TableResult grouped = engine.run();
            Bands bands = Bands.of(grouped);
            double[] breaking = new double[5];
            Pages pages = Pages.of(bands, () -> false);
            for (int i = 0; i < breaking.length; i++) {
                long start = System.nanoTime();
                pages = Pages.of(bands, () -> false);
                breaking[i] = seconds(start);
            }
            print("%,d rows to %,d pages, rows/s".formatted(size, pages.count()), size / median(breaking));
            print("slowest of %,d pages of them, ms".formatted(LOOKED_AT), slowest(pages));
            pdf(new PrintedReport(bands, pages), "untagged", new PdfReportWriter(0));
            if (pages.count() <= PdfReportWriter.MOST_TAGGED) {
                pdf(new PrintedReport(bands, pages), "tagged", new PdfReportWriter());
            }
        }
    }

    private static void pdf(PrintedReport printed, String kind, ReportWriter writer) throws Exception {
        boolean tagged = kind.equals("tagged");
        int count = printed.pages().count();
        List<Page> ready = IntStream.rangeClosed(1, Math.min(READY, count))
                .mapToObj(printed.pages()::page)
                .toList();
        Pairs pairs = Pairs.of(
                () -> writer.write(printed, OutputStream.nullOutputStream(), WriteProgress.SILENT),
                () -> raw(ready, count, tagged));
        System.out.printf(
                "%-46s %12.0f %12.0f %8.2f%n",
                "%,d pages of PDF %s, pages/s".formatted(count, kind),
                count / pairs.ours(),
                count / pairs.theirs(),
                pairs.theirs() / pairs.ours());
    }

    private static double slowest(Pages pages) {
        double slowest = 0;
        for (int i = 0; i < LOOKED_AT; i++) {
            long start = System.nanoTime();
            pages.page(1 + (int) ((long) i * (pages.count() - 1) / (LOOKED_AT - 1)));
            // The first is made while the code is still cold, as for whoever opens a report.
            slowest = Math.max(slowest, seconds(start) * 1000);
        }
        return slowest;
    }

    /**
     * The texts of pages that are ready, over and over, by the writer that ours stands on: no lines, no fills, no bookmarks; tagged as a
     * paragraph each.
     */
    private static void raw(List<Page> ready, int count, boolean tagged) throws IOException {
        Page first = ready.getFirst();
        Document document = new Document(new Rectangle(first.width() / HUNDREDTHS, first.height() / HUNDREDTHS));
        PdfWriter writer = PdfWriter.getInstance(document, OutputStream.nullOutputStream());
        if (tagged) {
            writer.setTagged();
            writer.setFullCompression();
        }
        document.open();
        BaseFont[] fonts = new BaseFont[Weight.values().length];
        for (Weight weight : Weight.values()) {
            fonts[weight.ordinal()] = BaseFont.createFont(
                    weight.word() + ".ttf",
                    BaseFont.IDENTITY_H,
                    BaseFont.EMBEDDED,
                    false,
                    Family.BASE.bytes(weight),
                    null);
        }
        PdfStructureElement all =
                tagged ? new PdfStructureElement(writer.getStructureTreeRoot(), new PdfName("Document")) : null;
        for (int number = 0; number < count; number++) {
            if (number > 0) {
                document.newPage();
            }
            Page page = ready.get(number % ready.size());
            PdfContentByte content = writer.getDirectContent();
            content.beginText();
            for (Page.Cell cell : page.cells()) {
                if (tagged) {
                    content.beginMarkedContentSequence(new PdfStructureElement(all, PdfName.P));
                }
                Page.Style style = page.fonts().styles().get(cell.style());
                Weight weight = style.face().equals(Weight.SEMIBOLD.word()) ? Weight.SEMIBOLD : Weight.REGULAR;
                content.setFontAndSize(fonts[weight.ordinal()], style.size() / HUNDREDTHS);
                content.setTextMatrix(cell.x() / HUNDREDTHS, (page.height() - cell.y()) / HUNDREDTHS);
                content.showText(page.texts().get(cell.text()));
                if (tagged) {
                    content.endMarkedContentSequence();
                }
            }
            content.endText();
        }
        document.close();
    }

    private static double seconds(long start) {
        return (System.nanoTime() - start) / 1e9;
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    private static void print(String what, double ours) {
        System.out.printf("%-46s %,12.1f%n", what, ours);
    }
}
