package org.grammatus.core.prompt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.expression.Names;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is understood of answers of every kind, how they are written on, and what is said of wrong ones. */
@Meaning({6, 36})
class AnswerReaderTest {

    private static List<ReportPrompt> prompts(String json) {
        return Definitions.readReport("""
                        {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "lines",
                         "locale": "en-GB", "prompts": [%s], "filters": [],
                         "blocks": [{"id": "t", "kind": "text", "paragraphs": []}],
                         "page": {"paper": "A4", "orientation": "portrait",
                           "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                        """.formatted(json)).prompts();
    }

    private static ResolvedPrompt resolved(String type, String more, String text, ULocale locale) {
        return new Answers(Map.of("p", text))
                .resolve(
                        prompts("{\"id\": \"p\", \"name\": \"p\", \"type\": \"%s\", \"label\": \"It\"%s}"
                                .formatted(type, more)),
                        Samples.CONTEXT,
                        ReportDatasets.of(Samples.dataset()),
                        locale)
                .getFirst();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "whole-number | 1,200 | 1200 | 1,200",
                "whole-number | -3 | -3 | -3",
                "decimal | 1234.5 | 1234.5 | 1,234.5",
                "decimal | 1,234.50 | 1234.50 | 1,234.5",
                "text | Kiln Yard | Kiln Yard | Kiln Yard",
                "date | 3 Feb 2026 | 2026-02-03 | 3 February 2026",
                "date | yesterday | yesterday | 19 November 2026",
                "yes-no | yes | yes | yes",
                "number-range | 10..20 | 10..20 | 10 to 20",
                "number-range | 10.. | 10.. | from 10",
                "number-range | ..2,500 | ..2500 | up to 2,500",
                "number-range | 7 | 7..7 | 7",
                "text-range | S01..S09 | S01..S09 | S01 to S09",
            })
    void anAnswerIsUnderstoodWrittenOnAndSaid(String type, String typed, String written, String words) {
        String text = type.equals("number-range") && typed.equals("7") ? "7..7" : typed;
        ResolvedPrompt resolved = resolved(type, "", text, ULocale.UK);
        assertThat(resolved.asked()).isEqualTo(written);
        assertThat(resolved.inWords(ULocale.UK)).isEqualTo(words);
        assertThat(resolved(type, "", resolved.asked(), ULocale.UK).answer())
                .as("what is written reads back")
                .isEqualTo(resolved.answer());
    }

    @Test
    void numbersAreTypedAsTheReportsLanguageWritesThem() {
        assertThat(resolved("decimal", "", "1.234,5", ULocale.GERMANY).asked()).isEqualTo("1234.5");
        assertThat(resolved("decimal", "", "1234.5", ULocale.GERMANY).asked())
                .as("as addresses have it, in any language")
                .isEqualTo("1234.5");
        assertThat(resolved("decimal", "", "1234.5", ULocale.GERMANY).inWords(ULocale.GERMANY))
                .isEqualTo("1.234,5");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "whole-number | | 1.5 | found \"1.5\", expected a whole number such as 12",
                "decimal | | soon | found \"soon\", expected a number such as 12.50",
                "whole-number | , \"least\": \"1\", \"most\": \"9\" | 12 | found 12, expected 1 to 9",
                "whole-number | , \"least\": \"1\" | 0 | found 0, expected at least 1",
                "date | , \"most\": \"2026-01-31\" | 2026-02-01 | found 2026-02-01, expected at most 2026-01-31",
                "date | | last 7 days | \"last 7 days\" is not one day",
                "date | | 31 Feb 2026 | February",
                "yes-no | | perhaps | found \"perhaps\", expected yes or no",
                "number-range | | 20..10 | starts with 20 after it ends with 10",
            })
    void whatIsWrongIsSaidAtItsPrompt(String type, String more, String typed, String message) {
        assertThatThrownBy(() -> resolved(type, more == null ? "" : more, typed, ULocale.UK))
                .hasMessageContaining("/answers/p: ")
                .hasMessageContaining(message);
    }

    @Test
    void allWrongAnswersAreToldAtOnce() {
        List<ReportPrompt> prompts = prompts("""
                {"id": "a", "name": "a", "type": "whole-number", "label": "A"},
                {"id": "b", "name": "b", "type": "date", "label": "B", "required": true},
                {"id": "c", "name": "c", "type": "yes-no", "label": "C", "default": "no"}""");
        assertThatThrownBy(() -> new Answers(Map.of("a", "x", "c", "?"))
                        .resolve(prompts, Samples.CONTEXT, ReportDatasets.of(Samples.dataset()), ULocale.UK))
                .hasMessageContaining("/answers/a")
                .hasMessageContaining("/answers/b: \"B\" needs an answer; give a day")
                .hasMessageContaining("/answers/c");
    }

    private static Names.Chosen chosen(String text) {
        return ChosenText.parse(text, Type.TEXT);
    }

    @Test
    void valuesArePastedFromASpreadsheetOrTypedInARow() {
        Names.Chosen three = new Names.Chosen(
                List.of(new Scalar.Text("A1"), new Scalar.Text("B2"), new Scalar.Text("C, D")), false, false);
        assertThat(chosen("A1, B2, \"C, D\"")).isEqualTo(three);
        assertThat(chosen("A1\nB2\r\n\"C, D\"\nA1\n")).isEqualTo(three);
        assertThat(chosen("all but A1, (none)"))
                .isEqualTo(new Names.Chosen(List.of(new Scalar.Text("A1")), true, true));
        assertThat(resolved("choices", ", \"field\": \"region\"", "all but A1", ULocale.UK)
                        .inWords(ULocale.UK))
                .isEqualTo("all but A1");
        String many =
                String.join(",", IntStream.range(0, 1001).mapToObj(i -> "v" + i).toList());
        assertThatThrownBy(() -> chosen(many)).hasMessageContaining("at most 1000 can be chosen");
    }

    static IntStream seeds() {
        return IntStream.range(0, 200);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void chosenValuesReadBackWhateverIsInThem(int seed) {
        Random random = new Random(seed);
        List<Scalar> values = IntStream.range(0, random.nextInt(5))
                .mapToObj(i -> IntStream.range(0, 1 + random.nextInt(6))
                        .mapToObj(c -> String.valueOf(
                                List.of('a', ',', '"', ' ', '\n', '(', 'ü', ';').get(random.nextInt(8))))
                        .reduce("", String::concat))
                .distinct()
                .map(text -> (Scalar) new Scalar.Text(text))
                .toList();
        boolean blank = values.isEmpty() || random.nextBoolean();
        Names.Chosen chosen = new Names.Chosen(values, blank, random.nextBoolean());
        assertThat(chosen(ChosenText.write(chosen))).isEqualTo(chosen);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "date | , \"field\": \"ordered_at\" | latest",
                "period | | last 7 days with data",
                "period | | ../..",
                "number-range | | ..",
            })
    void aRequiredPromptWhoseAnswerHasNoValueIsAsked(String type, String more, String text) {
        String properties = (more == null ? "" : more) + ", \"required\": true";
        // The data have no day, so that the latest of them is none.
        assertThatThrownBy(() -> resolved(type, properties, text, ULocale.UK))
                .hasMessageContaining("\"It\" needs an answer");
        assertThatThrownBy(() -> resolved(type, properties + ", \"default\": \"" + text + "\"", "", ULocale.UK))
                .hasMessageContaining("needs an answer");
    }

    @ParameterizedTest
    @ValueSource(strings = {"decimal", "whole-number", "number-range"})
    void aNumberThatIsTooLongIsRefusedBeforeAnythingIsComputed(String type) {
        for (String tooLong : List.of(
                "1e1000000",
                "1e-999999999",
                "-1E+2147483647",
                "9".repeat(100_000),
                "0." + "0".repeat(90_000) + "1",
                "9".repeat(39),
                "1e39",
                "0.1234567890123456789")) {
            long start = System.nanoTime();
            assertThatThrownBy(() -> resolved(type, "", tooLong, ULocale.UK)).hasMessageContaining("/answers/p");
            assertThat(System.nanoTime() - start).isLessThan(1_000_000_000L);
        }
        assertThat(resolved("decimal", "", "9".repeat(38), ULocale.UK).asked()).isEqualTo("9".repeat(38));
    }

    @Test
    void listedNumbersAreNumbersAndCodesAreTexts() {
        assertThat(chosen("10", "10", "200")).isEqualTo(Scalar.Number.of(10));
        assertThat(chosen("1.5", "1.5", "2")).isInstanceOf(Scalar.Number.class);
        assertThat(chosen("007", "007", "12")).isEqualTo(new Scalar.Text("007"));
        assertThat(chosen("12", "12", "large")).isEqualTo(new Scalar.Text("12"));
    }

    private static Scalar chosen(String text, String... listed) {
        String values = Stream.of(listed)
                .map(value -> "{\"value\": \"%s\", \"label\": \"%s\"}".formatted(value, value))
                .collect(Collectors.joining(","));
        return resolved("choice", ", \"listed\": [" + values + "]", text, ULocale.UK)
                .choice();
    }
}
