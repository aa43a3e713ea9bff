package org.grammatus.core.drawing;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What an element of an SVG document says of how it is drawn, and hands down to those inside it (SVG 1.1, 11).
 *
 * @param colour what {@code currentColor} is
 */
record SvgPaint(
        String colour,
        Optional<String> fill,
        boolean evenOdd,
        Optional<String> stroke,
        double width,
        Shape.Cap cap,
        Shape.Join join,
        double miterLimit) {

    static final SvgPaint AT_FIRST = new SvgPaint(
            "#000000", Optional.of("#000000"), false, Optional.empty(), 1, Shape.Cap.BUTT, Shape.Join.MITER, 4);

    /** The colours that all documents may name (CSS 2.1, 4.3.6). */
    private static final Map<String, String> NAMED = Map.ofEntries(
            Map.entry("black", "#000000"),
            Map.entry("silver", "#c0c0c0"),
            Map.entry("gray", "#808080"),
            Map.entry("grey", "#808080"),
            Map.entry("white", "#ffffff"),
            Map.entry("maroon", "#800000"),
            Map.entry("red", "#ff0000"),
            Map.entry("purple", "#800080"),
            Map.entry("fuchsia", "#ff00ff"),
            Map.entry("green", "#008000"),
            Map.entry("lime", "#00ff00"),
            Map.entry("olive", "#808000"),
            Map.entry("yellow", "#ffff00"),
            Map.entry("orange", "#ffa500"),
            Map.entry("navy", "#000080"),
            Map.entry("blue", "#0000ff"),
            Map.entry("teal", "#008080"),
            Map.entry("aqua", "#00ffff"));

    /**
     * With what an element says otherwise.
     *
     * @param said properties by their names
     * @throws IllegalArgumentException in words, where it says something that is not drawn
     */
    SvgPaint with(Map<String, String> said) {
        String current = said.containsKey("color") ? colour(said.get("color"), colour) : colour;
        return new SvgPaint(
                current,
                said.containsKey("fill") ? paint(said.get("fill"), current, fill) : fill,
                said.containsKey("fill-rule") ? said.get("fill-rule").equals("evenodd") : evenOdd,
                said.containsKey("stroke") ? paint(said.get("stroke"), current, stroke) : stroke,
                said.containsKey("stroke-width") ? SvgNumbers.length(said.get("stroke-width")) : width,
                said.containsKey("stroke-linecap") ? word(Shape.Cap.class, said.get("stroke-linecap")) : cap,
                said.containsKey("stroke-linejoin") ? word(Shape.Join.class, said.get("stroke-linejoin")) : join,
                said.containsKey("stroke-miterlimit") ? SvgNumbers.length(said.get("stroke-miterlimit")) : miterLimit);
    }

    /** The line that an outline is drawn in. */
    Optional<Shape.Stroke> line(Affine place) {
        return stroke.filter(ink -> width > 0)
                .map(ink -> new Shape.Stroke(ink, width * place.scale(), cap, join, miterLimit));
    }

    private static <T extends Enum<T>> T word(Class<T> type, String text) {
        try {
            return Enum.valueOf(type, text.strip().toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("\"" + text + "\" is no way in which a line is drawn", e);
        }
    }

    private static Optional<String> paint(String text, String current, Optional<String> inherited) {
        return switch (text.strip()) {
            case "none", "transparent" -> Optional.empty();
            case "inherit" -> inherited;
            default -> Optional.of(colour(text, current));
        };
    }

    private static String colour(String text, String current) {
        String colour = text.strip().toLowerCase(Locale.ROOT);
        if (colour.equals("currentcolor") || colour.equals("inherit")) {
            return current;
        }
        if (colour.matches("#[0-9a-f]{6}")) {
            return colour;
        }
        if (colour.matches("#[0-9a-f]{3}")) {
            return colour.replaceAll("[0-9a-f]", "$0$0");
        }
        if (colour.matches("rgb\\( *\\d{1,3} *, *\\d{1,3} *, *\\d{1,3} *\\)")) {
            StringBuilder hex = new StringBuilder("#");
            for (String channel : colour.substring(4, colour.length() - 1).split(",")) {
                hex.append("%02x".formatted(Math.min(255, Integer.parseInt(channel.strip()))));
            }
            return hex.toString();
        }
        String named = NAMED.get(colour);
        if (named == null) {
            throw new IllegalArgumentException(
                    "the colour \"" + text + "\" is not known, expected one plain colour such as #1f4e5f");
        }
        return named;
    }
}
