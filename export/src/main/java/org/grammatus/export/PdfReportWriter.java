package org.grammatus.export;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.ZoneId;
import java.util.Base64;
import java.util.GregorianCalendar;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CancellationException;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Pages;
import org.grammatus.core.plan.RunInputs;
import org.grammatus.core.typography.Family;
import org.openpdf.text.Document;
import org.openpdf.text.DocumentException;
import org.openpdf.text.Image;
import org.openpdf.text.Rectangle;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfDate;
import org.openpdf.text.pdf.PdfDestination;
import org.openpdf.text.pdf.PdfDictionary;
import org.openpdf.text.pdf.PdfLiteral;
import org.openpdf.text.pdf.PdfName;
import org.openpdf.text.pdf.PdfObject;
import org.openpdf.text.pdf.PdfOutline;
import org.openpdf.text.pdf.PdfString;
import org.openpdf.text.pdf.PdfWriter;

/** The pages as PDF (ISO 32000): embedded subset fonts, real text, a bookmark for each group with a heading, title and language. */
final class PdfReportWriter implements ReportWriter {

    private static final float HUNDREDTHS = 100f;

    private final PdfFonts fonts = new PdfFonts();
    /** By block, then by depth: the last bookmark there. */
    private final Map<Integer, Map<Integer, PdfOutline>> outlines = new HashMap<>();

    private final Set<Integer> bookmarked = new HashSet<>();

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
        RunInputs inputs = pages.inputs();
        Page first = pages.page(1);
        Document document = new Document(paper(first));
        PdfWriter writer = PdfWriter.getInstance(document, stream);
        describe(document, writer, inputs);
        document.open();
        // Opening notes the time of day; the business date takes its place.
        writer.getInfo().put(PdfName.CREATIONDATE, creationDate(inputs));
        for (int number = 1; number <= pages.count(); number++) {
            if (!progress.pagesWritten(number - 1)) {
                throw new CancellationException("The export was cancelled");
            }
            if (number > 1) {
                document.newPage();
            }
            paint(number == 1 ? first : pages.page(number), writer);
        }
        document.close();
    }

    /** Identity and date come from the inputs, not from chance or the clock. */
    private static void describe(Document document, PdfWriter writer, RunInputs inputs) {
        document.addTitle(inputs.title());
        document.addCreator("Grammatus");
        writer.getExtraCatalog().put(PdfName.LANG, new PdfString(inputs.locale().toLanguageTag()));
        String id = digest(inputs.fingerprint() + inputs.prompts() + inputs.context());
        writer.getInfo().put(PdfName.FILEID, new PdfLiteral("[<" + id + "><" + id + ">]"));
        writer.setViewerPreferences(PdfWriter.PageModeUseOutlines | PdfWriter.DisplayDocTitle);
    }

    private static PdfDate creationDate(RunInputs inputs) {
        return new PdfDate(
                GregorianCalendar.from(inputs.context().businessDate().atStartOfDay(ZoneId.of("UTC"))));
    }

    private static String digest(String text) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash, 0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Rectangle paper(Page page) {
        return new Rectangle(page.width() / HUNDREDTHS, page.height() / HUNDREDTHS);
    }

    private void paint(Page page, PdfWriter writer) throws DocumentException {
        PdfContentByte content = writer.getDirectContent();
        fill(page, content);
        pictures(page, content);
        int ink = Page.NONE;
        for (Page.Rule rule : page.rules()) {
            if (rule.ink() != ink) {
                ink = rule.ink();
                setStroke(content, page.ruleInks().get(ink));
            }
            float y = up(page, rule.y());
            content.setLineWidth(rule.thickness() / HUNDREDTHS);
            content.moveTo(rule.x() / HUNDREDTHS, y);
            content.lineTo((rule.x() + rule.width()) / HUNDREDTHS, y);
            content.stroke();
        }
        content.beginText();
        int style = Page.NONE;
        int x = 0;
        int y = page.height();
        Iterator<Page.Run> runs = page.runs().iterator();
        Page.Run run = runs.hasNext() ? runs.next() : null;
        for (int i = 0; i < page.cells().size(); i++) {
            Page.Cell cell = page.cells().get(i);
            if (cell.style() != style) {
                style = cell.style();
                setStyle(content, page.styles().get(style));
            }
            // Moves relative to the last text keep the file small.
            content.moveText((cell.x() - x) / HUNDREDTHS, (y - cell.y()) / HUNDREDTHS);
            x = cell.x();
            y = cell.y();
            String text = page.texts().get(cell.text());
            if (run == null || run.cell() != i) {
                content.showText(text);
                continue;
            }
            beginText(content, text);
            for (; run != null && run.cell() == i; run = runs.hasNext() ? runs.next() : null) {
                Page.Style drawn = page.styles().get(style);
                content.setFontAndSize(fonts.of(run.family(), drawn.face()), drawn.size() / HUNDREDTHS);
                content.moveText((cell.x() + run.x() - x) / HUNDREDTHS, 0);
                x = cell.x() + run.x();
                content.showText(run.text());
            }
            content.endMarkedContentSequence();
            style = Page.NONE;
        }
        content.endText();
        bookmark(page, content);
    }

    /** Colours what is behind what is marked. */
    private static void fill(Page page, PdfContentByte content) {
        for (Page.Fill fill : page.fills()) {
            setFill(content, page.fillColours().get(fill.colour()));
            content.rectangle(
                    fill.x() / HUNDREDTHS,
                    up(page, fill.y() + fill.height()),
                    fill.width() / HUNDREDTHS,
                    fill.height() / HUNDREDTHS);
            content.fill();
        }
    }

    private static void pictures(Page page, PdfContentByte content) throws DocumentException {
        for (Page.Picture picture : page.pictures()) {
            try {
                Image image = Image.getInstance(Base64.getDecoder().decode(picture.png()));
                image.scaleAbsolute(picture.width() / HUNDREDTHS, picture.height() / HUNDREDTHS);
                image.setAbsolutePosition(picture.x() / HUNDREDTHS, up(page, picture.y() + picture.height()));
                content.addImage(image);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Begins what is drawn of a text that is read otherwise, with what is to be read. */
    private static void beginText(PdfContentByte content, String text) {
        PdfDictionary said = new PdfDictionary();
        said.put(PdfName.ACTUALTEXT, new PdfString(text, PdfObject.TEXT_UNICODE));
        content.beginMarkedContentSequence(PdfName.SPAN, said, true);
    }

    private void setStyle(PdfContentByte content, Page.Style style) {
        content.setFontAndSize(fonts.of(Family.BASE.word(), style.face()), style.size() / HUNDREDTHS);
        setFill(content, style.ink());
    }

    /** Sets the colour of texts and grounds; one without a hue as a shade of grey, which printers do best. */
    private static void setFill(PdfContentByte content, String colour) {
        int rgb = Integer.parseInt(colour, 1, colour.length(), 16);
        int red = rgb >> 16;
        int green = rgb >> 8 & 0xFF;
        int blue = rgb & 0xFF;
        if (red == green && green == blue) {
            content.setGrayFill(red / 255f);
        } else {
            content.setRGBColorFill(red, green, blue);
        }
    }

    private static void setStroke(PdfContentByte content, String colour) {
        int rgb = Integer.parseInt(colour, 1, colour.length(), 16);
        content.setRGBColorStroke(rgb >> 16, rgb >> 8 & 0xFF, rgb & 0xFF);
    }

    private void bookmark(Page page, PdfContentByte content) {
        for (Page.BandBox band : page.bands()) {
            Page.Node node = page.nodes().get(band.node());
            boolean block = page.blocks().size() > 1 && band.role() == Page.BandRole.BLOCK_TITLE;
            if (!block && band.role() != Page.BandRole.HEADING || !bookmarked.add(node.place())) {
                continue;
            }
            Map<Integer, PdfOutline> outlineAtDepth = outlines.computeIfAbsent(band.block(), key -> new HashMap<>());
            outlineAtDepth.keySet().removeIf(depth -> depth >= node.depth());
            PdfOutline parent = content.getRootOutline();
            for (int depth = node.depth() - 1; depth >= 0; depth--) {
                if (outlineAtDepth.containsKey(depth)) {
                    parent = outlineAtDepth.get(depth);
                    break;
                }
            }
            PdfDestination destination = new PdfDestination(PdfDestination.XYZ, -1, up(page, band.top()), 0);
            outlineAtDepth.put(node.depth(), new PdfOutline(parent, destination, node.label(), false));
        }
    }

    private static float up(Page page, int y) {
        return (page.height() - y) / HUNDREDTHS;
    }
}
