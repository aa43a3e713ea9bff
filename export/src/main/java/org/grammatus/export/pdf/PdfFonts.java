package org.grammatus.export.pdf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.openpdf.text.pdf.BaseFont;

/** The fonts of one PDF file, each opened when something is first set in it; a subset of each is embedded. */
final class PdfFonts {

    private final Map<String, BaseFont> opened = new HashMap<>();
    private final Map<String, Family> families = new HashMap<>();

    /** @param own what the report is set in, where it is none of those that come along */
    PdfFonts(Family own) {
        Family.SHIPPED.forEach(family -> families.put(family.word(), family));
        families.put(own.word(), own);
    }

    /** The font of a family and a weight, both as page models name them. */
    BaseFont of(String family, String weight) {
        return opened.computeIfAbsent(
                family + "-" + weight,
                name -> open(name, families.get(family), Weight.valueOf(weight.toUpperCase(Locale.ROOT))));
    }

    private static BaseFont open(String name, Family family, Weight weight) {
        try {
            BaseFont font = BaseFont.createFont(
                    name + ".ttf", BaseFont.IDENTITY_H, BaseFont.EMBEDDED, false, family.bytes(weight), null);
            font.setSecureRandom(new Fixed());
            // What it would list, PDF/UA-1 asks to be whole; it need not be there.
            font.setIncludeCidSet(false);
            return font;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Names the subset of a font the same way each time. */
    private static final class Fixed extends SecureRandom {
        private static final long serialVersionUID = 1L;

        @Override
        public int nextInt(int bound) {
            return 0;
        }

        @Override
        public void nextBytes(byte[] bytes) {
            Arrays.fill(bytes, (byte) 0);
        }
    }
}
