package org.grammatus.core.typography;

import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * A font file (OpenType 1.9) from outside, looked through before anything is set in it: whether all that is read of it is there, whether it
 * may be put into files, and whether figures can be set in it.
 */
final class FontFile {

    private static final int COLLECTION = 0x74746366;
    private static final int WEB_FONT = 0x774F4646;
    private static final int WEB_FONT_2 = 0x774F4632;
    private static final int FORBIDDEN = 2;
    private static final int WHOLE_ONLY = 0x100;
    private static final int BITMAPS_ONLY = 0x200;
    private static final int LICENCE_BITS = 0xF;
    /** What every report prints. */
    private static final String NEEDED = "0123456789 -.,%abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ";

    private FontFile() {}

    /** @throws IllegalArgumentException with what is wrong with a file, in words */
    static void check(byte[] bytes) {
        if (bytes.length < Integer.BYTES) {
            throw new IllegalArgumentException("it is no font file");
        }
        switch (ByteBuffer.wrap(bytes).getInt()) {
            case COLLECTION ->
                throw new IllegalArgumentException("it is a collection of fonts; take one of them out as a file");
            case WEB_FONT, WEB_FONT_2 ->
                throw new IllegalArgumentException("it is packed for the web; take the TrueType or OpenType file");
            case 0x00010000, 0x74727565, 0x4F54544F -> {}
            default -> throw new IllegalArgumentException("it is no TrueType or OpenType font");
        }
        TrueTypeFont font;
        try {
            ByteBuffer file = ByteBuffer.wrap(bytes);
            Map<String, Integer> tables = tables(file);
            FontBounds.check(file, tables);
            licence(file, tables);
            outlines(file, tables);
            font = TrueTypeFont.read(bytes);
        } catch (IndexOutOfBoundsException | BufferUnderflowException | ArithmeticException e) {
            throw new IllegalArgumentException("the file is damaged", e);
        }
        String missing = NEEDED.codePoints()
                .filter(c -> !font.has(c))
                .mapToObj(c -> c == ' ' ? "the space" : Character.toString(c))
                .collect(Collectors.joining(" "));
        if (!missing.isEmpty()) {
            throw new IllegalArgumentException("it lacks " + missing);
        }
    }

    private static Map<String, Integer> tables(ByteBuffer file) {
        Map<String, Integer> tables = TrueTypeFont.tables(file);
        for (String table : List.of("cmap", "head", "hhea", "hmtx", "maxp", "name", "OS/2", "post")) {
            if (!tables.containsKey(table)) {
                throw new IllegalArgumentException("its table \"" + table + "\" is missing");
            }
        }
        return tables;
    }

    /** Whether whoever made it lets it be part of a file. */
    private static void licence(ByteBuffer file, Map<String, Integer> tables) {
        int allowed = file.getShort(tables.get("OS/2") + 8);
        if ((allowed & LICENCE_BITS) == FORBIDDEN || (allowed & BITMAPS_ONLY) != 0) {
            throw new IllegalArgumentException("its makers forbid that it is put into files, as PDF has to");
        }
        if ((allowed & WHOLE_ONLY) != 0) {
            throw new IllegalArgumentException(
                    "its makers forbid that a part of it is put into files, and files hold no more than they print");
        }
    }

    /** Whether every glyph is inside the file. */
    private static void outlines(ByteBuffer file, Map<String, Integer> tables) {
        if (tables.containsKey("CFF ")) {
            return;
        }
        if (!tables.containsKey("glyf") || !tables.containsKey("loca")) {
            throw new IllegalArgumentException("it has no outlines");
        }
        int glyphs = file.getShort(tables.get("maxp") + 4) & 0xFFFF;
        boolean isLong = file.getShort(tables.get("head") + 50) != 0;
        int loca = tables.get("loca");
        long before = 0;
        for (int i = 0; i <= glyphs; i++) {
            long at = isLong ? file.getInt(loca + 4 * i) : 2L * (file.getShort(loca + 2 * i) & 0xFFFF);
            if (at < before || tables.get("glyf") + at > file.capacity()) {
                throw new IllegalArgumentException("the file is damaged");
            }
            before = at;
        }
    }
}
