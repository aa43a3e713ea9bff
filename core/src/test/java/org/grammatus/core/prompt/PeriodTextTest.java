package org.grammatus.core.prompt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.value.Period;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Meaning 6.2: periods, either end open, rolling ones resolved against the business date. */
@Meaning(6)
class PeriodTextTest {

    /** A Friday. */
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 20);
    /** The Thursday and the Friday before are holidays. */
    private static final RunContext CONTEXT =
            new RunContext(TODAY, RunContext.UTC, Set.of(LocalDate.of(2026, 11, 12), LocalDate.of(2026, 11, 13)));

    private final PeriodText periods = new PeriodText(CONTEXT, new FiscalCalendar(10), ULocale.UK);

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
        "month to date, 2026-11-01/2026-11-20",
        "previous working day, 2026-11-19/2026-11-19",
        "last 5 working days, 2026-11-16/2026-11-20",
        "last 6 working days, 2026-11-11/2026-11-20",
        "up to yesterday, ../2026-11-19",
        "up to today, ../2026-11-20",
        "up to next 7 days, ../2026-11-27",
        "up to previous month, ../2026-10-31",
        "up to previous working day, ../2026-11-19",
        "last 2 weeks, 2026-11-02/2026-11-15",
        "last 3 months, 2026-08-01/2026-10-31",
        "last 1 month, 2026-10-01/2026-10-31",
        "last 3 months to date, 2026-09-01/2026-11-20",
        "last 4 quarters, 2025-10-01/2026-09-30",
        "last 2 fiscal years, 2024-10-01/2026-09-30",
        "last 2 fiscal years to date, 2025-10-01/2026-11-20",
        "this fiscal quarter, 2026-10-01/2026-12-31",
        "previous fiscal quarter, 2026-07-01/2026-09-30",
        "month to date last year, 2025-11-01/2025-11-20",
        "last 7 days last year, 2025-11-14/2025-11-20",
        "previous fiscal year last year, 2024-10-01/2025-09-30"
    })
    void readsAPeriod(String text, String interval) {
        assertThat(periods.parse(text)).hasToString(interval);
    }

    @ParameterizedTest
    @CsvSource({
        "en-GB, 31/12/2026, 2026-12-31/2026-12-31",
        "en-GB, 1.2.2026, 2026-02-01/2026-02-01",
        "en-US, 12/31/2026, 2026-12-31/2026-12-31",
        "de-DE, 1.2.2026, 2026-02-01/2026-02-01",
        "de-DE, 5. März 2026 bis 7. Mai 2026, 2026-03-05/2026-05-07",
        "de-DE, 5 October 2026, 2026-10-05/2026-10-05",
        "fr-FR, 5 févr. 2026 au 7 août 2026, 2026-02-05/2026-08-07",
        "fr-FR, 5 fevrier 2026, 2026-02-05/2026-02-05",
        "en-GB, 1 Oct 2026 to 20 Nov 2026, 2026-10-01/2026-11-20",
        "en-GB, 1/10/2026 - 20/11/2026, 2026-10-01/2026-11-20",
        "en-GB, 1 October 2026 – 20 November 2026, 2026-10-01/2026-11-20",
        "en-GB, 2026-10-01 to 2026-11-20, 2026-10-01/2026-11-20",
        "en-GB, from 1st October 2026, 2026-10-01/..",
        "en-GB, up to 20 November 2026, ../2026-11-20",
        "en-GB, October 5 2026, 2026-10-05/2026-10-05",
        "en-GB, 5 Oct, 2026-10-05/2026-10-05",
        "en-GB, 5/10, 2026-10-05/2026-10-05"
    })
    void readsDaysAsTheyAreTypedInTheReportsLanguage(String locale, String text, String interval) {
        PeriodText typed = new PeriodText(CONTEXT, new FiscalCalendar(10), ULocale.forLanguageTag(locale));
        assertThat(typed.parse(text)).hasToString(interval);
    }

    @Test
    void saysWhyTypedDaysAreNone() {
        assertThatThrownBy(() -> periods.parse("31/12/26"))
                .hasMessageContaining("write the year in full, such as 2026");
        assertThatThrownBy(() -> periods.parse("30 February 2026")).hasMessageContaining("February 2026 has 28 days");
        assertThatThrownBy(() -> periods.parse("5 Oct 2026 to 1 Oct 2026")).hasMessageContaining("swap them");
        assertThatThrownBy(() -> periods.parse("1/13/2026")).hasMessageContaining("there is no month 13");
    }

    @ParameterizedTest
    @ValueSource(strings = {"en-GB", "de-DE", "fr-FR", "es-ES", "it-IT", "nl-NL", "sv-SE", "pl-PL", "en-US"})
    void whatIsSaidOfAnAnswerCanBeTypedAgain(String locale) {
        ULocale language = ULocale.forLanguageTag(locale);
        PeriodText typed = new PeriodText(CONTEXT, new FiscalCalendar(10), language);
        for (int month = 1; month <= 12; month++) {
            LocalDate from = LocalDate.of(2026, month, 3);
            for (Period period : List.of(
                    Period.of(from, from.plusDays(40)),
                    Period.of(from, from),
                    new Period(Optional.of(from), Optional.empty()),
                    new Period(Optional.empty(), Optional.of(from)))) {
                String words = new ResolvedPrompt(
                                "p",
                                "P",
                                PromptType.PERIOD,
                                Optional.empty(),
                                Optional.empty(),
                                Map.of(),
                                false,
                                "",
                                new Answer.Days(period))
                        .inWords(language);
                assertThat(typed.parse(words)).as(words).isEqualTo(period);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "last 0 working days",
                "last 9999 months",
                "up to soon",
                "up to all",
                "last 0 days",
                "last 99999 days",
                "soon",
                "31/12/26",
                "/x",
                "1 to 2 to 3"
            })
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
                        .resolve(
                                Samples.report().prompts(),
                                Samples.CONTEXT,
                                ReportDatasets.of(Samples.dataset()),
                                ULocale.UK))
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
                .resolve(Samples.report().prompts(), Samples.CONTEXT, ReportDatasets.of(Samples.dataset()), ULocale.UK);
        assertThat(resolved.getFirst().inWords(ULocale.UK)).isEqualTo(words);
    }
}
