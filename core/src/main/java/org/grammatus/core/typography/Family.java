package org.grammatus.core.typography;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Fonts that belong together, one for each weight. Thread-safe. */
public final class Family {

    /** What reports are set in unless their style says otherwise: Latin, Greek and Cyrillic letters, figures and signs. */
    public static final Family BASE = shipped("base", "SourceSans3");
    /** Rarer letters of the same scripts. */
    public static final Family WIDE = shipped("wide", "NotoSans");

    public static final Family HEBREW = shipped("hebrew", "NotoSansHebrew");
    public static final Family ARABIC = shipped("arabic", "NotoSansArabic");
    public static final Family THAI = shipped("thai", "NotoSansThai");
    public static final Family ARMENIAN = shipped("armenian", "NotoSansArmenian");
    public static final Family GEORGIAN = shipped("georgian", "NotoSansGeorgian");
    /** Signs, which have one weight only. */
    public static final Family SYMBOLS = ofOneWeight("symbols", "NotoSansSymbols2");
    /** Chinese and Japanese, in one weight: a face of them is larger than all others together. */
    public static final Family HAN = ofOneWeight("han", "NotoSansSC");
    /** Korean, in one weight likewise. */
    public static final Family KOREAN = ofOneWeight("korean", "NotoSansKR");

    /**
     * Those that come along. A character that a report's own family lacks is set in the first of them that has it, so that it is
     * printed all the same. The large ones are the last, so that they are read for what no other has.
     */
    public static final List<Family> SHIPPED =
            List.of(BASE, WIDE, HEBREW, ARABIC, THAI, ARMENIAN, GEORGIAN, SYMBOLS, HAN, KOREAN);

    private final String word;
    private final Function<Weight, byte[]> files;
    private final Map<Weight, TrueTypeFont> fonts = new EnumMap<>(Weight.class);
    private final Map<Weight, Face> faces = new EnumMap<>(Weight.class);

    private Family(String word, Function<Weight, byte[]> files) {
        this.word = word;
        this.files = files;
        for (Weight weight : Weight.values()) {
            faces.put(weight, new Face(this, weight));
        }
    }

    private static Family shipped(String word, String file) {
        return new Family(word, weight -> resource(file, weight == Weight.SEMIBOLD ? "SemiBold" : "Regular"));
    }

    private static Family ofOneWeight(String word, String file) {
        return new Family(word, weight -> resource(file, "Regular"));
    }

    private static byte[] resource(String file, String weight) {
        try (InputStream in = Family.class.getResourceAsStream(file + "-" + weight + ".ttf")) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * A family of files from outside.
     *
     * @param word what addresses and page models call it
     * @param semibold none where semibold texts are set in the regular one, too
     * @throws IllegalArgumentException in words, where a file cannot be used
     */
    public static Family of(String word, byte[] regular, Optional<byte[]> semibold) {
        FontFile.check(regular);
        semibold.ifPresent(FontFile::check);
        return new Family(word, weight -> weight == Weight.SEMIBOLD ? semibold.orElse(regular) : regular);
    }

    /** Its name in addresses and page models: {@code base}, {@code hebrew}. */
    public String word() {
        return word;
    }

    /** The font file of a weight, in TrueType or OpenType format. */
    public byte[] bytes(Weight weight) {
        return files.apply(weight);
    }

    /** The face that texts of a weight are set in. */
    public Face face(Weight weight) {
        return faces.get(weight);
    }

    /** Read when it is first asked for: most reports need none but the first. */
    TrueTypeFont font(Weight weight) {
        synchronized (fonts) {
            return fonts.computeIfAbsent(weight, heavy -> TrueTypeFont.read(bytes(heavy)));
        }
    }

    @Override
    public String toString() {
        return word;
    }
}
