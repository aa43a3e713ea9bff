package org.grammatus.core.plan.style;

/**
 * A picture of some size, in hundredths of a point.
 *
 * @param format of the file
 * @param content the file: a PNG file (ISO/IEC 15948) in Base64, a drawing as an SVG document of paths alone
 */
public record Picture(Format format, String content, int width, int height) {

    /** What pictures are kept in. */
    public enum Format {
        PNG,
        SVG
    }
}
