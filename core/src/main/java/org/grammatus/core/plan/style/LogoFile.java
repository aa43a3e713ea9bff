package org.grammatus.core.plan.style;

import org.grammatus.core.definition.style.Logo;
import org.grammatus.core.drawing.Drawing;
import org.grammatus.core.drawing.SvgFile;

/** A logo's file looked through from end to end: it comes from outside, and a page must never fail on it. */
final class LogoFile {

    /** So many hundredths of a point make a millimetre. */
    static final double HUNDREDTHS_OF_MM = 7200 / 25.4;

    private LogoFile() {}

    /**
     * The logo as large as it is printed.
     *
     * @throws IllegalArgumentException with what is wrong with the file, in words
     */
    static Picture read(Logo logo) {
        if (logo.png().isPresent() == logo.svg().isPresent()) {
            throw new IllegalArgumentException("it is either a png or an svg, expected one of them");
        }
        if (logo.png().isPresent()) {
            int[] dots = PngFile.size(logo.png().get());
            return picture(Picture.Format.PNG, logo.png().get(), logo.width(), dots[0], dots[1]);
        }
        Drawing drawing = SvgFile.read(logo.svg().get());
        return picture(Picture.Format.SVG, drawing.svg(), logo.width(), drawing.width(), drawing.height());
    }

    private static Picture picture(Picture.Format format, String content, int millimetres, double wide, double high) {
        int width = (int) Math.round(millimetres * HUNDREDTHS_OF_MM);
        return new Picture(format, content, width, (int) (width * high / wide));
    }
}
