package org.grammatus.core.prompt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.FiscalCalendar;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Meaning 6.2: periods, either end open, rolling ones resolved against the business date. */
class PeriodTextTest {

    /** A Friday. */
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 20);

    private final PeriodText periods = new PeriodText(TODAY, new FiscalCalendar(10));

    @ParameterizedTest
    @CsvSource({
        "2026-01-01/2026-03-31, 2026-01-01/2026-03-31",
        "../2026-03-31, ../2026-03-31",
        "2026-01-01/.., 2026-01-01/..",
        "/2026-03-31, ../2026-03-31",
        "2026-02-28, 2026-02-28/2026-02-28",
        "all, ../..",
        "today, 2026-11-20/2026-11-20",
        "Yesterday, 2026-11-19/2026-11-19",
        "last 7 days, 2026-11-14/2026-11-20",
        "last-7-days, 2026-11-14/2026-11-20",
        "last 1 day, 2026-11-20/2026-11-20",
        "next 3 days, 2026-11-21/2026-11-23",
        "this week, 2026-11-16/2026-11-22",
        "previous week, 2026-11-09/2026-11-15",
        "previous month, 2026-10-01/2026-10-31",
        "next month, 2026-12-01/2026-12-31",
        "this quarter, 2026-10-01/2026-12-31",
        "previous quarter, 2026-07-01/2026-09-30",
        "previous year, 2025-01-01/2025-12-31",
        "this fiscal year, 2026-10-01/2027-09-30",
        "previous fiscal year, 2025-10-01/2026-09-30",
        "fiscal year to date, 2026-10-01/2026-11-20",
        "month to date, 2026-11-01/2026-11-20"
    })
    void readsAPeriod(String text, String interval) {
        assertThat(periods.parse(text)).hasToString(interval);
    }

    @ParameterizedTest
    @ValueSource(strings = {"last 0 days", "last 99999 days", "soon", "31/12/2026", "/x"})
    void refusesWhatIsNone(String text) {
        assertThatThrownBy(() -> periods.parse(text)).hasMessageContaining("is not a period");
    }

    @Test
    void saysWhyADayIsNone() {
        assertThatThrownBy(() -> periods.parse("2026-02-30/2026-03-01"))
                .hasMessage("\"2026-02-30\" is no day: February 2026 has 28 days");
        assertThatThrownBy(() -> periods.parse("../2026-13-01"))
                .hasMessage("\"2026-13-01\" is no day: there is no month 13");
    }

    @Test
    void refusesAStartAfterItsEnd() {
        assertThatThrownBy(() -> periods.parse("2026-04-01/2026-03-01"))
                .hasMessageContaining("its first day, 1 April 2026, is after its last, 1 March 2026; swap them");
    }

    @Test
    void tellsEveryWrongAnswerAtItsPrompt() {
        assertThatThrownBy(() -> new Answers(Map.of("period", "soon", "perod", "x"))
                        .resolve(Samples.report().prompts(), Samples.CONTEXT, Samples.dataset()))
                .hasMessageContaining("/answers/period: \"soon\" is not a period")
                .hasMessageContaining("/answers/perod: the report asks no \"perod\"; it asks: period; did you mean");
    }

    @ParameterizedTest
    @CsvSource({
        "all, all dates",
        "2026-03-01/.., from 1 March 2026",
        "../2026-03-31, up to 31 March 2026",
        "today, 20 November 2026",
        "up to next 7 days, up to 27 November 2026",
        "2026-01-01/2026-03-31, 1 January 2026 to 31 March 2026"
    })
    void echoesItWithMonthNames(String text, String words) {
        List<ResolvedPrompt> resolved = new Answers(Map.of("period", text))
                .resolve(Samples.report().prompts(), Samples.CONTEXT, Samples.dataset());
        assertThat(resolved.getFirst().inWords(ULocale.UK)).isEqualTo(words);
    }
}
