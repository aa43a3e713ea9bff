package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.dataset.Patterns;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.style.StyleCheck;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.typography.Faces;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A house style says how days and numbers are printed where nothing nearer does. */
class StylePatternsTest {

    private static final Samples ROWS =
            new Samples().order("S1", "2026-01-05T10:30", "Lakeside", "5.00").line("S1", "Hives", "-1234.50");

    private static final String LOOK =
            "\"look\": {\"figures\": {\"date\": \"y-MM-dd\", \"time\": \"y-MM-dd HH:mm\", \"grouping\": false}}";

    private static List<String> texts(String column, String more) {
        String json = Samples.REPORT
                .replace("\"columns\": [", "\"columns\": [" + column + ",")
                .replace("\"page\": {", more + ", \"page\": {");
        return Pages.of(Bands.of(ROWS.grouped(Definitions.readReport(json), Answers.NONE)), () -> false)
                .page(1)
                .texts();
    }

    @ParameterizedTest
    @CsvSource({
        "ordered_at, 5 Jan 2026 10:30, 2026-01-05 10:30",
        "CAST(ordered_at AS DATE), 5 Jan 2026, 2026-01-05",
        "net * 2, '-2,469.00', -2469.00"
    })
    void whatADatasetSaysIsPrintedAsTheStyleHasIt(String value, String usual, String styled) {
        String column = "{\"id\": \"c-new\", \"label\": \"New\", \"value\": \"" + value + "\"}";
        assertThat(texts(column, "\"asksFirst\": false")).contains(usual).doesNotContain(styled);
        assertThat(texts(column, LOOK)).contains(styled, "-1234.50").doesNotContain(usual, "-1,234.50");
    }

    @Test
    void aColumnsOwnPatternAndTheReportsStandOverTheStyle() {
        String own = "{\"id\": \"c-new\", \"label\": \"New\", \"value\": \"ordered_at\", \"format\": \"d/M/y\"}";
        assertThat(texts(own, LOOK)).contains("5/1/2026");
        String plain = "{\"id\": \"c-new\", \"label\": \"New\", \"value\": \"ordered_at\"}";
        assertThat(texts(plain, LOOK + ", \"fields\": [{\"id\": \"ordered_at\", \"format\": \"d.M.y\"}]"))
                .contains("5.1.2026");
    }

    @Test
    void groupsByDayAreCalledSo() {
        String json = Samples.REPORT
                .replace("\"key\": \"region\"", "\"key\": \"ordered_at\", \"bucket\": \"day\"")
                .replace("\"page\": {", LOOK + ", \"page\": {");
        assertThat(Pages.of(Bands.of(ROWS.grouped(Definitions.readReport(json), Answers.NONE)), () -> false)
                        .page(1)
                        .texts())
                .contains("2026-01-05");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "d MMM y | y-MM-dd",
                "d MMM y HH:mm | y-MM-dd'T'HH:mm",
                "LLLL y | LLLL y",
                "y | y",
                "#,##0.00 | 0.00",
                "#,##0 | 0",
                "0.0 %% | 0.0 %%"
            })
    void aMonthOrAYearByItselfStaysOne(String pattern, String styled) {
        Patterns patterns = new Patterns(Optional.of("y-MM-dd"), Optional.of("y-MM-dd'T'HH:mm"), false);
        assertThat(patterns.of(pattern)).isEqualTo(styled);
        assertThat(Patterns.AS_GIVEN.of(pattern)).isEqualTo(pattern);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "MMM y | a pattern of days has their day, month and year",
            })
    void aPatternThatIsNoneOfDaysIsRefused(String date, String problem) {
        String style = """
                {"format": "grammatus-style", "version": 1, "id": "s", "name": "S",
                 "look": {"figures": {"date": "%s"}}}""".formatted(date);
        assertThat(StyleCheck.of(Definitions.readStyle(style), Faces.SHIPPED).stream()
                        .map(Problem::toString)
                        .collect(Collectors.joining()))
                .contains("/look/figures/date")
                .contains(problem);
    }
}
