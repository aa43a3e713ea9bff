package org.grammatus.core.plan.style;

/**
 * A picture of some size, in hundredths of a point.
 *
 * @param png the file (ISO/IEC 15948), in Base64
 */
public record Picture(String png, int width, int height) {}
