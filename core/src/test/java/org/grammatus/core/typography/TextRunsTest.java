package org.grammatus.core.typography;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.grammatus.core.Meaning;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is drawn of texts in other scripts than the report's own. */
@Meaning(49)
class TextRunsTest {

    private static final Face REGULAR = Family.BASE.face(Weight.REGULAR);
    private static final Face SEMIBOLD = Family.BASE.face(Weight.SEMIBOLD);

    private static final int SIZE = 900;

    private static String drawn(String text) {
        return REGULAR.runs(REGULAR.printable(text), SIZE).stream()
                .map(TextRun::text)
                .collect(Collectors.joining());
    }

    private static List<Family> families(String text) {
        return SEMIBOLD.runs(SEMIBOLD.printable(text), SIZE).stream()
                .map(TextRun::family)
                .toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"Bienengärtchen", "Μελισσοκομείο", "Пасека «Липа»", "Łąka 1 234,50 €", "„Rób tak” – 5 ½"})
    void whatTheReportsOwnLettersHaveIsPlain(String text) {
        assertThat(REGULAR.isPlain(text)).isTrue();
        assertThat(SEMIBOLD.isPlain(text)).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "דבש, שבד",
        "דבש 12, 12 שבד",
        "(דבש), (שבד)",
        "Honey דבש 12, Honey 12 שבד",
        "Honey דבש and דבש, Honey שבד and שבד"
    })
    void whatIsReadFromRightToLeftIsDrawnSo(String said, String drawn) {
        assertThat(drawn(said)).isEqualTo(drawn);
        assertThat(REGULAR.printable(said)).as("what is said stays as it is").isEqualTo(said);
    }

    /** Arabic, then the letters that Persian adds to it: each in the form that its neighbours ask for. */
    @ParameterizedTest
    @CsvSource({"عسل, FEDE FEB4 FECB", "سلام, FEE1 FEFC FEB3", "پگ, FB93 FB58", "بَب, FE90 FE91 064E"})
    void lettersJoin(String said, String glyphs) {
        assertThat(drawn(said).chars().mapToObj("%04X"::formatted).collect(Collectors.joining(" ")))
                .isEqualTo(glyphs);
        assertThat(families(said)).containsExactly(Family.ARABIC);
    }

    @Test
    void eachCharacterIsSetInTheFirstFamilyThatHasIt() {
        assertThat(families("Honey דבש ☎")).containsExactly(Family.BASE, Family.HEBREW, Family.SYMBOLS);
        assertThat(families("Մեղր թափ")).as("a phrase is one run").containsExactly(Family.ARMENIAN);
        assertThat(families("თაფლი")).containsExactly(Family.GEORGIAN);
        assertThat(families("น้ำผึ้ง")).containsExactly(Family.THAI);
        assertThat(families("Ѯ")).containsExactly(Family.WIDE);
        assertThat(families("Honey 蜂蜜 はちみつ")).containsExactly(Family.BASE, Family.HAN);
        assertThat(families("꿀벌")).containsExactly(Family.KOREAN);
    }

    @Test
    void nothingIsLost() {
        assertThat(REGULAR.printable("a\u0308b")).as("joined with its accent").isEqualTo("äb");
        assertThat(REGULAR.printable("a\tb\u0000")).isEqualTo("a b ");
        assertThat(REGULAR.printable("蜂 x")).isEqualTo("蜂 x");
        assertThat(REGULAR.printable("ꯃ x")).as("by its number").isEqualTo("⟨ABC3⟩ x");
        assertThat(REGULAR.printable("🐝")).isEqualTo("⟨1F41D⟩");
        assertThat(REGULAR.isPlain("⟨ABC3⟩")).isTrue();
    }

    @Test
    void whatOnlySaysHowOthersAreSetIsNotDrawn() {
        assertThat(drawn("Honey\u200Fx")).isEqualTo("Honeyx");
        assertThat(drawn("\u2068דבש\u2069 total"))
                .as("a name set apart does not turn the words")
                .isEqualTo("שבד total");
        assertThat(drawn("דבש total")).as("unlike one that is not").isEqualTo("total שבד");
        assertThat(REGULAR.width("\u200F", SIZE)).isZero();
    }

    @Test
    void runsStandBesideEachOtherAndAreAsWideAsTheText() {
        List<String> words =
                List.of("Honey", "דבש", "12", "(عسل)", "Мёд", "☎", "ქ", "a-b", "سلام", "蜂蜜、", "น้ำผึ้ง", "꿀");
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            String text = random.ints(1 + random.nextInt(6), 0, words.size())
                    .mapToObj(words::get)
                    .collect(Collectors.joining(random.nextBoolean() ? " " : ""));
            Face face = random.nextBoolean() ? REGULAR : SEMIBOLD;
            int end = 0;
            for (TextRun run : face.runs(text, SIZE)) {
                assertThat(run.x()).as(text).isBetween(end - 1, end);
                end = run.x() + run.width();
            }
            assertThat(end).as(text).isBetween(face.width(text, SIZE) - 1, face.width(text, SIZE) + 1);
            int room = 2_500;
            assertThat(LineBreaker.lines(text, face, SIZE, room, 99))
                    .as(text)
                    .allSatisfy(line -> assertThat(face.width(line, SIZE)).isLessThanOrEqualTo(room));
        }
    }

    @Test
    void aPlainTextHasOneRun() {
        assertThat(REGULAR.runs("Honey", SIZE))
                .containsExactly(new TextRun(Family.BASE, "Honey", 0, REGULAR.width("Honey", SIZE)));
    }
}
