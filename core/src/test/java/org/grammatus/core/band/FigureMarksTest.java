package org.grammatus.core.band;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Pages;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rules that mark key figures. In 2026 net sales are 150.00 of 2 orders, in the year before 120.00 of 1. */
class FigureMarksTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-02-01T10:00", "Coast", "5.00")
            .order("S2", "2026-03-01T10:00", "Coast", "7.00")
            .order("S3", "2025-02-11T10:00", "Upland", "9.00")
            .line("S1", "Hives", "100.00")
            .line("S1", "Wax", "20.00")
            .line("S2", "Hives", "30.00")
            .line("S3", "Hives", "120.00");

    private static Plan plan(String highlights) {
        return Planner.plan(
                Definitions.readReport("""
                        {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "lines",
                         "locale": "en-GB",
                         "prompts": [{"id": "p", "name": "target", "type": "decimal", "label": "Target", "default": "140"}],
                         "filters": [{"id": "f", "kind": "expression", "where": "ordered_at >= TIMESTAMP '2026-01-01 00:00:00'"}],
                         "blocks": [{"id": "k", "kind": "figures", "figures": [
                             {"id": "net", "value": "SUM(net)", "good": "more", "compare":
                                 {"with": "plan", "plan": "SUM(160 * freight) / 12", "shown": "difference"}},
                             {"id": "orders", "label": "Orders", "value": "COUNT(DISTINCT order_number)"}],
                           "highlights": [%s]}],
                         "page": {"paper": "A4", "orientation": "portrait",
                           "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                        """.formatted(highlights)), Samples.dataset(), Answers.NONE, Samples.CONTEXT);
    }

    private static String rule(String id, String figure, String when, String more) {
        return """
                {"id": "%s", "label": "Rule %s", "when": "%s", "look": "alert", %s
                 "reach": {"of": "figure", "figure": "%s"}}""".formatted(id, id, when, more, figure);
    }

    private static Bands bands(Plan plan) {
        TableResult grouped = ROWS.grouped(plan.blocks().getFirst().facts());
        return Bands.of(plan.blocks().getFirst(), grouped, true);
    }

    /** What is said of a figure besides what it is. */
    private static List<String> marks(Bands bands, int figure) {
        BandContents contents = new BandContents(bands);
        int band = IntStream.range(0, bands.size())
                .filter(b -> bands.kind(b) == BandKind.FIGURE && bands.row(b) == figure)
                .findFirst()
                .orElseThrow();
        return contents.words(bands, band).stream()
                .filter(words -> words.role() == BandCell.Role.MARK)
                .map(BandCell.Words::text)
                .toList();
    }

    @ParameterizedTest
    @CsvSource({
        "figure > 149.99, true",
        "figure > 150, false",
        "other = 160, true",
        "change < 0, true",
        "change = -10, true",
        "FIGURE < other, true",
        "SUM(net) > :target, true",
        "figure / COUNT(*) < 50, false",
        "figure IS NULL, false",
        "COUNT(*) FILTER (WHERE net > 25) = 2, true"
    })
    void aRuleIsAboutWhatTheFigureSays(String when, boolean marks) {
        Bands bands = bands(plan(rule("a", "net", when, "")));
        assertThat(marks(bands, 0)).isEqualTo(marks ? List.of("▲ Rule a") : List.of());
        assertThat(marks(bands, 1)).as("the other figure").isEmpty();
    }

    @Test
    void theFirstRuleThatHoldsMarksAndThoseThatMarkTooBesideIt() {
        String rules = String.join(
                ", ",
                rule("a", "net", "figure > 1", "\"word\": \"low\","),
                rule("b", "net", "figure > 2", ""),
                rule("c", "net", "figure > 3", "\"also\": true,"),
                rule("d", "net", "figure > 4", "\"off\": true,"),
                rule("e", "orders", "figure = 2", ""));
        Bands bands = bands(plan(rules));
        assertThat(marks(bands, 0)).containsExactly("▲ low", "▲ Rule c");
        assertThat(marks(bands, 1)).containsExactly("▲ Rule e");
    }

    @Test
    void aMarkedFigureHasAGroundOfItsOwnAndTheBandSaysWhichRuleMarksFirst() {
        Plan plan = plan(rule("e", "orders", "figure = 2", ""));
        Page page = Pages.of(bands(plan), () -> false).page(1);
        assertThat(page.drawings().fills()).hasSize(1);
        Page.Fill fill = page.drawings().fills().getFirst();
        Page.Cell said = page.cells().stream()
                .filter(cell -> page.texts().get(cell.text()).equals("▲ Rule e"))
                .findFirst()
                .orElseThrow();
        assertThat(said.x()).isBetween(fill.x(), fill.x() + fill.width() - said.width());
        assertThat(said.y()).isBetween(fill.y(), fill.y() + fill.height());
        assertThat(page.texts()
                        .get(page.cells().stream()
                                .filter(cell -> cell.x() < fill.x() && cell.figure())
                                .findFirst()
                                .orElseThrow()
                                .text()))
                .as("what is not marked stands outside the ground")
                .isEqualTo("150.00");
        assertThat(page.bands()).filteredOn(band -> band.mark() == 0).hasSize(1);
    }

    @Test
    void aMarkOfTheFirstFigureOfARowIsTheRows() {
        Plan plan = plan(rule("a", "net", "figure > 1", ""));
        Page page = Pages.of(bands(plan), () -> false).page(1);
        assertThat(page.bands()).filteredOn(band -> band.mark() == 0).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"of\": \"figure\"} | says not which key figure it marks",
                "{\"of\": \"totals\", \"level\": \"report\"} | says not which key figure it marks",
                "{\"of\": \"figure\", \"figure\": \"order\"} | unknown key figure \"order\", expected one of net, orders; did you mean \"orders\"?",
                "{\"of\": \"figure\", \"figure\": \"net\", \"column\": \"net\"} | key figures have no columns"
            })
    void aRuleNamesTheFigureThatItMarks(String reach, String problem) {
        String rule = "{\"id\": \"a\", \"label\": \"A\", \"when\": \"figure > 1\", \"look\": \"alert\", \"reach\": "
                + reach + "}";
        assertThatThrownBy(() -> plan(rule))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining(problem);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "net > 1 | field \"net\" has many values here; put it into SUM",
                "figure | expected a condition",
                "figur > 1 | unknown field \"figur\"; did you mean \"figure\"?"
            })
    void aWrongConditionIsToldWhereItStands(String when, String problem) {
        assertThatThrownBy(() -> plan(rule("a", "net", when, "")))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining(problem)
                .hasMessageContaining("/blocks/0/highlights/0/when");
    }

    @Test
    void onlyWhatIsMarkedLeavesKeyFiguresAsTheyAre() {
        ReaderView marked =
                new ReaderView(List.of(), List.of(), List.of(), List.of(), List.of(), Optional.empty(), true);
        Plan plan = plan(rule("e", "orders", "figure = 2", ""));
        assertThat(marked.applied(plan).blocks().getFirst().facts().reach()).isEmpty();
        Bands bands = bands(marked.applied(plan));
        assertThat(IntStream.range(0, bands.size())
                        .filter(band -> bands.kind(band) == BandKind.FIGURE)
                        .count())
                .isEqualTo(2);
    }

    @Test
    void withoutAComparisonThereIsNothingToCompare() {
        assertThatThrownBy(() -> plan(rule("a", "orders", "change > 1", "")))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("unknown field \"change\"");
    }
}
