package org.grammatus.core.typography;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import org.grammatus.core.Meaning;
import org.junit.jupiter.api.Test;

/** Meaning 49: faces from outside are looked through, and what they lack is set in those that come along. */
@Meaning(49)
class AddedFamilyTest {

    private static final byte[] REGULAR = Family.WIDE.bytes(Weight.REGULAR);
    private static final byte[] SEMIBOLD = Family.WIDE.bytes(Weight.SEMIBOLD);
    private static final int SIZE = 900;

    private static byte[] at(int offset, int value) {
        byte[] changed = REGULAR.clone();
        ByteBuffer.wrap(changed).putShort(offset, (short) value);
        return changed;
    }

    private static int table(String tag) {
        return TrueTypeFont.tables(ByteBuffer.wrap(REGULAR)).get(tag);
    }

    /** The font without the characters of the basic letters that are before one of them: their part of the map begins there. */
    private static byte[] from(char first) {
        byte[] changed = REGULAR.clone();
        ByteBuffer font = ByteBuffer.wrap(changed);
        int cmap = table("cmap");
        for (int i = 0; i < font.getShort(cmap + 2); i++) {
            int map = cmap + font.getInt(cmap + 8 + 8 * i);
            int segments = font.getShort(map + 6) / 2;
            for (int j = 0; font.getShort(map) == 4 && j < segments; j++) {
                int start = map + 16 + 2 * (segments + j);
                if (font.getShort(start) < first && font.getShort(map + 14 + 2 * j) >= first) {
                    font.putShort(start, (short) first);
                }
            }
        }
        return changed;
    }

    private static void refused(byte[] file, String why) {
        assertThatThrownBy(() -> Family.of("added", file, Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(why);
    }

    @Test
    void textsAreAsWideAsTheFaceHasThem() {
        Family added = Family.of("added", REGULAR, Optional.of(SEMIBOLD));
        for (Weight weight : Weight.values()) {
            assertThat(added.face(weight).width("Net 1,240.50", SIZE))
                    .isEqualTo(Family.WIDE.face(weight).width("Net 1,240.50", SIZE))
                    .isNotEqualTo(Family.BASE.face(weight).width("Net 1,240.50", SIZE));
        }
        assertThat(added.face(Weight.REGULAR).runs("Net", SIZE))
                .containsExactly(
                        new TextRun(added, "Net", 0, added.face(Weight.REGULAR).width("Net", SIZE)));
    }

    @Test
    void withoutASemiboldFileTheRegularOneIsUsed() {
        Family added = Family.of("added", REGULAR, Optional.empty());
        assertThat(added.face(Weight.SEMIBOLD).width("Net", SIZE))
                .isEqualTo(added.face(Weight.REGULAR).width("Net", SIZE));
        assertThat(added.bytes(Weight.SEMIBOLD)).isEqualTo(REGULAR);
    }

    @Test
    void whatItLacksIsSetInThoseThatComeAlongAndNothingIsLost() {
        Face face = Family.of("added", REGULAR, Optional.empty()).face(Weight.REGULAR);
        assertThat(face.runs("Net דבש", SIZE).stream().map(run -> run.family().word()))
                .containsExactly("added", "hebrew");
        assertThat(face.isPlain("Net")).isTrue();
        assertThat(face.isPlain("→")).isFalse();
        assertThat(face.runs(face.printable("→"), SIZE).getFirst().family()).isEqualTo(Family.BASE);
        assertThat(face.printable("ꯃ")).isEqualTo("⟨ABC3⟩");
    }

    @Test
    void whatIsNoFontFileIsRefused() {
        refused(new byte[0], "no font file");
        refused("%PDF-1.7 and more".getBytes(), "no TrueType or OpenType font");
        refused("wOF2 and more".getBytes(), "packed for the web");
        refused("ttcf and more".getBytes(), "collection");
        refused(Arrays.copyOf(REGULAR, 100), "damaged");
        refused(Arrays.copyOf(REGULAR, REGULAR.length / 2), "damaged");
    }

    @Test
    void aFaceWithoutFiguresIsRefused() {
        refused(from(':'), "it lacks 0 1 2 3 4 5 6 7 8 9 the space - . , %");
        refused(from('A'), "9");
    }

    /** A column is measured on its largest and its smallest figure, whichever digits they have. */
    @Test
    void aFigureIsMeasuredAsIfAllItsDigitsWereTheWidest() {
        byte[] narrowOne = REGULAR.clone();
        ByteBuffer font = ByteBuffer.wrap(narrowOne);
        int glyphOfOne = TrueTypeFont.glyphOf(font, '1');
        int advance = table("hmtx") + 4 * glyphOfOne;
        font.putShort(advance, (short) (font.getShort(advance) / 2));
        Face face = Family.of("added", narrowOne, Optional.empty()).face(Weight.REGULAR);
        assertThat(face.hasTabularFigures()).isFalse();
        assertThat(face.width("1,111.1", SIZE)).isLessThan(face.width("2,000.0", SIZE));
        Random random = new Random(3);
        for (int i = 0; i < 500; i++) {
            String figure = "-%,d.%02d".formatted(random.nextInt(1_000_000), random.nextInt(100));
            assertThat(face.width(figure, SIZE)).isLessThanOrEqualTo(face.width(face.widest(figure), SIZE));
            assertThat(face.widest(figure)).hasSameSizeAs(figure).doesNotContain("1");
        }
        Face tabular = Family.BASE.face(Weight.REGULAR);
        assertThat(tabular.hasTabularFigures()).isTrue();
        assertThat(tabular.widest("1,240")).isEqualTo("1,240");
    }

    @Test
    void aFaceThatMayNotBePutIntoFilesIsRefused() {
        refused(at(table("OS/2") + 8, 2), "forbid that it is put into files");
        refused(at(table("OS/2") + 8, 0x200), "forbid that it is put into files");
        refused(at(table("OS/2") + 8, 0x100), "forbid that a part of it");
        // Editable embedding is embedding.
        assertThat(Family.of("added", at(table("OS/2") + 8, 8), Optional.empty())
                        .word())
                .isEqualTo("added");
    }

    @Test
    void glyphsOutsideTheFileAreRefused() {
        refused(at(table("loca") + 400, 0x7FFF), "damaged");
        refused(at(table("head") + 18, 0), "its size of an em");
    }

    /** The font with another map of characters behind it, as whoever wants to take memory writes one. */
    private static byte[] mapped(int groups, int first, int charactersOfEach) {
        byte[] file = Arrays.copyOf(REGULAR, REGULAR.length + 16 + 12 * groups);
        ByteBuffer font = ByteBuffer.wrap(file);
        int map = REGULAR.length;
        font.putShort(map, (short) 12);
        font.putInt(map + 12, groups);
        for (int i = 0; i < groups; i++) {
            font.putInt(map + 16 + 12 * i, first + i * charactersOfEach);
            font.putInt(map + 20 + 12 * i, first + (i + 1) * charactersOfEach - 1);
            font.putInt(map + 24 + 12 * i, 1);
        }
        int cmap = table("cmap");
        font.putInt(cmap + 8, map - cmap);
        return file;
    }

    @Test
    void tablesThatClaimMoreThanAFontCanHaveAreRefused() {
        refused(mapped(1, 0, Integer.MAX_VALUE), "a character map claims more");
        refused(mapped(20_000, 0, 50), "a character map claims more");
        byte[] endless = mapped(1, 65, 26);
        ByteBuffer.wrap(endless).putInt(REGULAR.length + 12, 0x7FFFFFFF);
        refused(endless, "a character map claims more");
        refused(at(table("hhea") + 34, 0xFFFF), "its table of widths");
        refused(at(table("hmtx") + 40, 0xFFFF), "the width of a glyph");
        refused(at(table("name") + 2, 0xFFFF), "its list of names");
        assertThat(Family.of("added", mapped(1, 65, 26), Optional.empty()).word())
                .isEqualTo("added");
    }

    /** Bytes changed at random come to a font, or are refused in words: never to another failure. */
    @Test
    void damageIsToldInWords() {
        Random random = new Random(11);
        int refused = 0;
        for (int i = 0; i < 300; i++) {
            byte[] file = REGULAR.clone();
            for (int j = 0; j < 40; j++) {
                file[random.nextInt(random.nextBoolean() ? 300 : file.length)] = (byte) random.nextInt();
            }
            try {
                Family.of("added", file, Optional.empty()).face(Weight.REGULAR).width("Net 12", SIZE);
            } catch (IllegalArgumentException e) {
                assertThat(e.getMessage()).doesNotContain("null").isNotBlank();
                refused++;
            }
        }
        assertThat(refused).isPositive();
    }
}
