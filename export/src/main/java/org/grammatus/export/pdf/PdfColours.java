package org.grammatus.export.pdf;

import org.openpdf.text.pdf.PdfContentByte;

/** Colours of page models, {@code #rrggbb}, as those of PDF. */
final class PdfColours {

    private PdfColours() {}

    /** Sets the colour of texts and grounds; one without a hue as a shade of grey, which printers do best. */
    static void fill(PdfContentByte content, String colour) {
        int rgb = rgb(colour);
        int red = rgb >> 16;
        int green = rgb >> 8 & 0xFF;
        int blue = rgb & 0xFF;
        if (red == green && green == blue) {
            content.setGrayFill(red / 255f);
        } else {
            content.setRGBColorFill(red, green, blue);
        }
    }

    static void stroke(PdfContentByte content, String colour) {
        int rgb = rgb(colour);
        content.setRGBColorStroke(rgb >> 16, rgb >> 8 & 0xFF, rgb & 0xFF);
    }

    private static int rgb(String colour) {
        return Integer.parseInt(colour, 1, colour.length(), 16);
    }
}
