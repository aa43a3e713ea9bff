package org.grammatus.core.band;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What key figures and texts say. */
class FigureCellsTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-02-01T10:00", "Coast", "5.00")
            .order("S2", "2026-03-01T10:00", "Coast", "7.00")
            .order("S3", "2025-02-11T10:00", "Upland", "9.00")
            .line("S1", "Hives", "100.00")
            .line("S1", "Wax", "20.00")
            .line("S2", "Hives", "30.00")
            .line("S3", "Hives", "120.00");

    private static Bands bands(String block, Map<String, String> answers) {
        String json = """
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "lines",
                 "locale": "en-GB",
                 "prompts": [{"id": "p", "name": "period", "type": "period", "label": "Days", "default": "2026-01-01/2026-12-31"},
                             {"id": "q", "name": "second", "type": "period", "label": "Beside"}],
                 "filters": [{"id": "f", "kind": "period", "field": "ordered_at", "prompt": "period"}],
                 "blocks": [%s],
                 "page": {"paper": "A4", "orientation": "portrait",
                   "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(block);
        Plan plan =
                Planner.plan(Definitions.readReport(json), Samples.dataset(), new Answers(answers), Samples.CONTEXT);
        BlockPlan planned = plan.blocks().getFirst();
        TableResult grouped = ROWS.grouped(planned.facts());
        return Bands.of(planned, grouped, true);
    }

    private static Bands figure(String properties, Map<String, String> answers) {
        return bands(
                "{\"id\": \"k\", \"kind\": \"figures\", \"figures\": [{\"id\": \"k1\", %s}]}".formatted(properties),
                answers);
    }

    private static List<String> said(Bands bands) {
        BandContents contents = new BandContents(bands);
        int band = bands.size() - 1;
        return contents.of(bands, band).stream().map(BandCell::text).toList();
    }

    @Test
    void aFigureIsAnAggregateOverTheBlocksRowsByTheRulesOfGrain() {
        assertThat(said(figure("\"value\": \"SUM(net)\"", Map.of()))).containsExactly("Net", "150.00");
        assertThat(said(figure("\"label\": \"Freight paid\", \"value\": \"SUM(freight)\"", Map.of())))
                .as("an order's freight counts once, however many lines it has")
                .containsExactly("Freight paid", "12.00");
        assertThat(said(figure("\"value\": \"SUM(net)\", \"unit\": \"thousands\", \"format\": \"0.00\"", Map.of())))
                .containsExactly("Net (thousands)", "0.15");
    }

    @ParameterizedTest
    @CsvSource({
        "percent, more, +25.0% · better",
        "percent, less, +25.0% · worse",
        "percent, , +25.0% · more",
        "difference, more, +30.00 · better",
        "figure, more, "
    })
    void aChangeHasItsSignAndAWord(String shown, String good, String change) {
        String compare =
                "\"value\": \"SUM(net)\", \"compare\": {\"with\": \"last-year\", \"date\": \"ordered_at\", \"shown\": \"%s\"}"
                                .formatted(shown)
                        + (good == null ? "" : ", \"good\": \"" + good + "\"");
        List<String> expected = change == null
                ? List.of("Net", "same time last year: 120.00", "150.00")
                : List.of("Net", change, "same time last year: 120.00", "150.00");
        assertThat(said(figure(compare, Map.of()))).isEqualTo(expected);
    }

    private static final String BESIDE = """
            "value": "SUM(net)", "good": "more",
            "compare": {"with": "period", "date": "ordered_at", "prompt": "second", "shown": "difference"}""";

    @Test
    void aSecondPeriodIsWhatItsReaderAsksFor() {
        assertThat(said(figure(BESIDE, Map.of("period", "2026-02-01/2026-02-28", "second", "2026-03-01/2026-03-31"))))
                .containsExactly("Net", "+90.00 · better", "1 March 2026 to 31 March 2026: 30.00", "120.00");
        assertThat(said(figure(BESIDE, Map.of("second", "2024-01-01/2024-12-31"))))
                .as("of days without rows there is no sum")
                .containsExactly("Net", "nothing to compare with", "1 January 2024 to 31 December 2024: –", "150.00");
    }

    @Test
    void withoutASecondPeriodNothingIsComparedAndTheFigureStands() {
        assertThat(said(figure(BESIDE, Map.of())))
                .containsExactly("Net", "nothing to compare with", "all dates: –", "150.00");
    }

    @Test
    void aBlockWithoutRowsSaysSoAndKeepsItsFigures() {
        Bands none = figure("\"value\": \"SUM(net)\"", Map.of("period", "2001-01-01/2001-12-31"));
        assertThat(none.kind(1)).isEqualTo(BandKind.EMPTY);
        assertThat(said(none)).containsExactly("Net", "–");
        assertThat(said(figure(
                        "\"label\": \"Orders\", \"value\": \"COUNT(order_number)\"",
                        Map.of("period", "2001-01-01/2001-12-31"))))
                .containsExactly("Orders", "0");
    }

    @Test
    void aTextHasItsExpressionsFilledIn() {
        String text = """
                {"id": "t", "kind": "text", "paragraphs": [
                  {"id": "t1", "kind": "words", "text": "{COUNT(order_number)} orders of {SUM(net)}; {{as it is"},
                  {"id": "t2", "kind": "lines", "lines": 3},
                  {"id": "t3", "kind": "signature", "text": "Seen by"}]}""";
        Bands bands = bands(text, Map.of());
        assertThat(said(bands)).containsExactly("Seen by");
        BandContents contents = new BandContents(bands);
        assertThat(contents.words(bands, 1))
                .extracting(BandCell::text)
                .containsExactly("2 orders of 150.00; {as it is");
        assertThat(bands.size()).as("title, words, three lines, signature").isEqualTo(6);
    }

    @Test
    void aFieldByItselfHasManyValuesInAText() {
        String text =
                "{\"id\": \"t\", \"kind\": \"text\", \"paragraphs\": [{\"id\": \"t1\", \"kind\": \"words\", \"text\": \"Of {region}\"}]}";
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> bands(text, Map.of()))
                .hasMessageContaining("/blocks/0/paragraphs/0/text: 1:5 field \"region\" has many values here");
    }
}
