package org.grammatus.core.typography;

import java.nio.ByteBuffer;
import java.util.Map;

/**
 * Whether the tables of a font file from outside claim no more than a font can have (OpenType 1.9): whoever reads them takes memory and
 * time by what they claim, not by what is there.
 */
final class FontBounds {

    private static final int LAST_CHARACTER = 0x10FFFF;
    private static final int MOST_TABLES = 64;
    private static final int MOST_CHARACTER_MAPS = 16;
    private static final int MOST_NAMES = 2_000;
    private static final int MOST_NAME_BYTES = 1_000_000;
    private static final int MOST_KERNING_TABLES = 16;
    /** A glyph may stand for several characters, most of all for letters that look alike. */
    private static final int MOST_CHARACTERS_OF_GLYPH = 4;
    /** The widest glyph that is a letter or a sign, in ems: the basmala is about 11. */
    private static final int WIDEST = 16;

    private static final int LEAST_EM = 16;
    private static final int MOST_EM = 16_384;

    private final ByteBuffer file;
    private final Map<String, Integer> tables;
    private final int glyphs;

    private FontBounds(ByteBuffer file, Map<String, Integer> tables) {
        this.file = file;
        this.tables = tables;
        this.glyphs = unsigned(tables.get("maxp") + 4);
    }

    /** @throws IllegalArgumentException with the table that claims too much */
    static void check(ByteBuffer file, Map<String, Integer> tables) {
        FontBounds bounds = new FontBounds(file, tables);
        require(bounds.unsigned(4) <= MOST_TABLES, "its list of tables");
        bounds.advances();
        bounds.characters();
        bounds.names();
        bounds.kerning();
    }

    private static void require(boolean sound, String what) {
        if (!sound) {
            throw new IllegalArgumentException(what + " claims more than a font can have");
        }
    }

    private void advances() {
        int em = unsigned(tables.get("head") + 18);
        require(em >= LEAST_EM && em <= MOST_EM, "its size of an em");
        int metrics = unsigned(tables.get("hhea") + 34);
        require(metrics > 0 && metrics <= glyphs, "its table of widths");
        int widths = tables.get("hmtx");
        require(widths + 4L * metrics <= file.capacity(), "its table of widths");
        for (int glyph = 0; glyph < metrics; glyph++) {
            require(unsigned(widths + 4 * glyph) <= (long) WIDEST * em, "the width of a glyph");
        }
    }

    private void characters() {
        int maps = tables.get("cmap");
        int count = unsigned(maps + 2);
        require(count > 0 && count <= MOST_CHARACTER_MAPS, "its list of character maps");
        for (int i = 0; i < count; i++) {
            long at = maps + (file.getInt(maps + 4 + 8 * i + 4) & 0xFFFFFFFFL);
            require(at + 8 <= file.capacity(), "a character map");
            charactersOf((int) at);
        }
    }

    private void charactersOf(int map) {
        switch (unsigned(map)) {
            case 0 -> require(map + 262L <= file.capacity(), "a character map");
            case 4 -> segments(map);
            case 6 -> require(map + 10 + 2L * unsigned(map + 8) <= file.capacity(), "a character map");
            case 12, 13 -> groups(map);
            // Nobody reads the others.
            default -> {}
        }
    }

    /** Segments stand one after the other, so that they hold each character once. */
    private void segments(int map) {
        int count = unsigned(map + 6) / 2;
        require(count > 0 && map + 16 + 8L * count <= file.capacity(), "a character map");
        int before = -1;
        for (int i = 0; i < count; i++) {
            int end = unsigned(map + 14 + 2 * i);
            int start = unsigned(map + 16 + 2 * count + 2 * i);
            require(start > before && end >= start, "a character map");
            before = end;
        }
    }

    private void groups(int map) {
        long count = file.getInt(map + 12) & 0xFFFFFFFFL;
        require(map + 16 + 12 * count <= file.capacity(), "a character map");
        long before = -1;
        long characters = 0;
        for (int i = 0; i < count; i++) {
            long start = file.getInt(map + 16 + 12 * i) & 0xFFFFFFFFL;
            long end = file.getInt(map + 20 + 12 * i) & 0xFFFFFFFFL;
            require(start > before && end >= start && end <= LAST_CHARACTER, "a character map");
            characters += end - start + 1;
            before = end;
        }
        require(characters <= (long) MOST_CHARACTERS_OF_GLYPH * glyphs, "a character map");
    }

    private void names() {
        int names = tables.get("name");
        int count = unsigned(names + 2);
        require(count <= MOST_NAMES, "its list of names");
        long bytes = 0;
        for (int i = 0; i < count; i++) {
            int length = unsigned(names + 6 + 12 * i + 8);
            long end = (long) names + unsigned(names + 4) + unsigned(names + 6 + 12 * i + 10) + length;
            require(end <= file.capacity(), "a name");
            bytes += length;
        }
        require(bytes <= MOST_NAME_BYTES, "its list of names");
    }

    private void kerning() {
        if (tables.containsKey("kern")) {
            require(unsigned(tables.get("kern") + 2) <= MOST_KERNING_TABLES, "its kerning");
        }
    }

    private int unsigned(int at) {
        return file.getShort(at) & 0xFFFF;
    }
}
