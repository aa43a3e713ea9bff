package org.grammatus.export.pdf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.grammatus.core.typography.Face;
import org.grammatus.core.typography.Family;
import org.openpdf.text.pdf.BaseFont;

/** The fonts of one PDF file, each opened when something is first set in it; a subset of each is embedded. */
final class PdfFonts {

    private final Map<String, BaseFont> opened = new HashMap<>();

    /** The font of a family and a face, both as page models name them. */
    BaseFont of(String family, String face) {
        return opened.computeIfAbsent(
                family + "-" + face,
                name -> open(
                        name,
                        Family.valueOf(family.toUpperCase(Locale.ROOT)),
                        Face.valueOf(face.toUpperCase(Locale.ROOT))));
    }

    private static BaseFont open(String name, Family family, Face face) {
        try {
            BaseFont font = BaseFont.createFont(
                    name + ".ttf", BaseFont.IDENTITY_H, BaseFont.EMBEDDED, false, family.bytes(face), null);
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
