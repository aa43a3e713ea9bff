package org.grammatus.export.pdf;

import java.io.OutputStream;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.openpdf.text.Document;
import org.openpdf.text.pdf.BaseFont;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfWriter;

/** Tries whether a face from outside can be put into files, so that no report fails on it later. */
public final class FaceTrial {

    private static final int BASIC_PLANE = 0x10000;
    private static final int SIZE = 9;

    private FaceTrial() {}

    /** Whether a file with every character that the face has can be written. */
    public static boolean passes(Family family) {
        try {
            Document document = new Document();
            PdfWriter writer = PdfWriter.getInstance(document, OutputStream.nullOutputStream());
            document.open();
            PdfFonts fonts = new PdfFonts(family);
            PdfContentByte content = writer.getDirectContent();
            content.beginText();
            for (Weight weight : Weight.values()) {
                BaseFont font = fonts.of(family.word(), weight.word());
                content.setFontAndSize(font, SIZE);
                content.showText(IntStream.range(' ', BASIC_PLANE)
                        .filter(c -> !Character.isSurrogate((char) c) && font.charExists((char) c))
                        .mapToObj(Character::toString)
                        .collect(Collectors.joining()));
            }
            content.endText();
            document.close();
            return true;
        } catch (RuntimeException e) {
            // Whatever a foreign file makes the writer stumble over.
            return false;
        }
    }
}
