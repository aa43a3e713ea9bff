package org.grammatus.core.typography;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Widths come from the font files; lines break at spaces. */
class LineBreakerTest {

    private static final Face REGULAR = Family.BASE.face(Weight.REGULAR);
    private static final Face SEMIBOLD = Family.BASE.face(Weight.SEMIBOLD);

    @Test
    void digitsAreOfOneWidth() {
        assertThat("0123456789"
                        .chars()
                        .map(c -> REGULAR.width(Character.toString(c), 1000))
                        .distinct())
                .hasSize(1);
    }

    @Test
    void aTextIsAsWideAsItsCharacters() {
        int apart = SEMIBOLD.width("A", 1000) + SEMIBOLD.width("V", 1000);
        assertThat(SEMIBOLD.width("AV", 1000)).isBetween(apart - 1, apart);
    }

    @Test
    void breaksAtSpacesAndInsideWordsOnlyWhereOneIsTooWide() {
        int width = REGULAR.width("two words", 900);
        assertThat(LineBreaker.lines("two words more", REGULAR, 900, width, 9)).containsExactly("two words", "more");
        assertThat(String.join("", LineBreaker.lines("x".repeat(50), REGULAR, 900, width, 99)))
                .isEqualTo("x".repeat(50));
    }

    @Test
    void cutsAndMarksWhatIsBeyondTheLastLine() {
        List<String> lines = LineBreaker.lines("one two three four five", REGULAR, 900, 3_000, 2);
        assertThat(lines).hasSize(2);
        assertThat(lines.getLast()).endsWith("…");
        assertThat(LineBreaker.lines("", REGULAR, 900, 3_000, 2)).containsExactly("");
    }

    @Test
    void everyLineFits() {
        for (int width = 2_000; width < 9_000; width += 500) {
            for (String line : LineBreaker.lines("Großmutters Bienengärtchen in the valley", REGULAR, 900, width, 99)) {
                assertThat(REGULAR.width(line, 900)).isLessThanOrEqualTo(width);
            }
        }
    }
}
