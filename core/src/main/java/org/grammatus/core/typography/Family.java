package org.grammatus.core.typography;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;

/**
 * Fonts that belong together. A character is set in the first family that has it, so that what the report's own letters lack
 * is printed all the same.
 */
public enum Family {
    /** What reports are set in: Latin, Greek and Cyrillic letters, figures and signs. */
    BASE("SourceSans3"),
    /** Rarer letters of the same scripts. */
    WIDE("NotoSans"),
    HEBREW("NotoSansHebrew"),
    ARABIC("NotoSansArabic"),
    THAI("NotoSansThai"),
    ARMENIAN("NotoSansArmenian"),
    GEORGIAN("NotoSansGeorgian"),
    SYMBOLS("NotoSansSymbols2");

    private final String file;
    private final TrueTypeFont[] fonts = new TrueTypeFont[Face.values().length];

    Family(String file) {
        this.file = file;
    }

    /** Its name in addresses and page models: {@code base}, {@code hebrew}. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The font file of a face, in TrueType format. */
    public byte[] bytes(Face face) {
        // Symbols have one weight only.
        String weight = face == Face.SEMIBOLD && this != SYMBOLS ? "SemiBold" : "Regular";
        try (InputStream in = Family.class.getResourceAsStream(file + "-" + weight + ".ttf")) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Read when it is first asked for: most reports need none but the first. */
    TrueTypeFont font(Face face) {
        synchronized (fonts) {
            if (fonts[face.ordinal()] == null) {
                fonts[face.ordinal()] = TrueTypeFont.read(bytes(face));
            }
            return fonts[face.ordinal()];
        }
    }
}
