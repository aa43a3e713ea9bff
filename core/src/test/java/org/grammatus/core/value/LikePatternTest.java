package org.grammatus.core.value;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a pattern of LIKE matches, and how it is written for others. */
class LikePatternTest {

    @ParameterizedTest
    @CsvSource({
        "Jar%, Jar 340 g, true",
        "Jar%, jar 340 g, false",
        "%340%, Jar 340 g, true",
        "_ar, Jar, true",
        "_ar, 😀ar, true",
        "J%r%g, Jar 340 g, true",
        "J%r%x, Jar 340 g, false",
        "100!%, 100%, true",
        "100!%, 100 g, false",
        "!!x, !x, true",
        "%%, anything, true"
    })
    void aTextIsLikeItCodePointByCodePoint(String pattern, String text, boolean like) {
        assertThat(LikePattern.of(pattern, Optional.of("!")).matches(text)).isEqualTo(like);
    }

    @Test
    void anEscapeBeforeAnOrdinaryCharacterIsReadDifferentlyElsewhere() {
        assertThat(LikePattern.of("100!%", Optional.of("!")).isPortable()).isTrue();
        assertThat(LikePattern.of("!a", Optional.of("!")).isPortable()).isFalse();
        assertThat(LikePattern.of("a!", Optional.of("!")).isPortable()).isFalse();
        assertThat(LikePattern.of("!a", Optional.empty()).isPortable()).isTrue();
    }

    @Test
    void itIsWrittenWithOtherSigns() {
        assertThat(LikePattern.of("50!%_%", Optional.of("!")).written("*", "?", letter -> "[" + letter + "]"))
                .isEqualTo("[5][0][%]?*");
    }
}
