package org.grammatus.export.pdf;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.ZoneId;
import java.util.GregorianCalendar;
import java.util.HexFormat;
import org.grammatus.core.plan.RunInputs;
import org.openpdf.text.Document;
import org.openpdf.text.pdf.PdfDate;
import org.openpdf.text.pdf.PdfLiteral;
import org.openpdf.text.pdf.PdfName;
import org.openpdf.text.pdf.PdfString;
import org.openpdf.text.pdf.PdfWriter;

/** What a file says of itself. Identity and date come from the inputs, not from chance or the clock: the same inputs give the same bytes. */
final class PdfIdentity {

    /** Metadata as PDF/UA-1 asks for it (XMP, ISO 16684-1). */
    private static final String METADATA = """
            <?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>
            <x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
            <rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:pdfuaid="http://www.aiim.org/pdfua/ns/id/">
            <dc:title><rdf:Alt><rdf:li xml:lang="x-default">%s</rdf:li></rdf:Alt></dc:title>
            <pdfuaid:part>1</pdfuaid:part>
            </rdf:Description></rdf:RDF></x:xmpmeta>
            <?xpacket end="r"?>
            """;

    private final RunInputs inputs;

    PdfIdentity(RunInputs inputs) {
        this.inputs = inputs;
    }

    /** Before the document is opened. */
    void describe(Document document, PdfWriter writer) {
        document.addTitle(inputs.report().title());
        document.addCreator("Grammatus");
        writer.getExtraCatalog().put(PdfName.LANG, new PdfString(inputs.locale().toLanguageTag()));
        String id = digest(inputs.report().fingerprint() + inputs.prompts() + inputs.context());
        writer.getInfo().put(PdfName.FILEID, new PdfLiteral("[<" + id + "><" + id + ">]"));
        writer.setViewerPreferences(PdfWriter.PageModeUseOutlines | PdfWriter.DisplayDocTitle);
    }

    /** Says of a file that it is tagged. */
    void sayTagged(PdfWriter writer) {
        writer.setXmpMetadata(
                METADATA.formatted(escaped(inputs.report().title())).getBytes(StandardCharsets.UTF_8));
    }

    /** Says of a file that it is not tagged, and why. */
    static void sayUntagged(Document document, int most) {
        document.addSubject("Without tags for reading aloud: files of more than " + most + " pages have none.");
    }

    /** Once it is open: opening notes the time of day, the business date takes its place. */
    void date(PdfWriter writer) {
        writer.getInfo()
                .put(
                        PdfName.CREATIONDATE,
                        new PdfDate(GregorianCalendar.from(
                                inputs.context().businessDate().atStartOfDay(ZoneId.of("UTC")))));
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }

    private static String digest(String text) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash, 0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
