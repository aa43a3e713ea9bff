package org.grammatus.core.typography;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeout;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    /** Chinese, Japanese, Thai, and among other words. */
    @ParameterizedTest
    @CsvSource({
        "4, 北谷养蜂场的蜂蜜, 北谷养蜂|场的蜂蜜",
        "4, 北谷的蜂。北谷的蜜, 北谷的|蜂。北谷|的蜜",
        "4, 北谷「蜂」蜜, 北谷|「蜂」蜜",
        "5, ちょっとハチミツ, ちょっとハ|チミツ",
        "5, Hill 北谷养蜂场, Hill 北谷养|蜂场",
        "3, ร้านน้ำผึ้ง, ร้านน้ำ|ผึ้ง"
    })
    void scriptsWithoutSpacesBreakWhereTheyMay(int ems, String text, String lines) {
        assertThat(LineBreaker.lines(text, REGULAR, 900, ems * 900, 9)).containsExactly(lines.split("\\|"));
    }

    @Test
    void aLongTextWithoutSpacesIsBrokenInNoTime() {
        String cell = "北谷养蜂场的蜂蜜。".repeat(1_000);
        assertTimeout(
                Duration.ofSeconds(5),
                () -> assertThat(String.join("", LineBreaker.lines(cell, REGULAR, 900, 20_000, 9_000)))
                        .isEqualTo(cell));
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
