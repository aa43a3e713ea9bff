package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Pages;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Meaning 14: the first rule that holds marks a row, by sign and weight as well as tint. */
@Meaning(14)
class MarksTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-03-31T23:30", "Upland", "7.50")
            .line("S1", "Hives", "10.00")
            .line("S1", "Jars", "60.00")
            .line("S2", "Hives", "200.00")
            .line("S2", "Feed", null);

    private static Report with(String highlights, boolean lines) {
        String report = Samples.REPORT.replace("\"highlights\": []", "\"highlights\": [" + highlights + "]");
        if (lines) {
            report = report.replace(
                            "\"header\": \"heading\", \"footer\": \"totals\"}],",
                            "\"header\": \"line\", \"footer\": \"none\"}],")
                    .replace("\"shown\": true", "\"shown\": false");
        }
        return Definitions.readReport(report);
    }

    private static String rule(String id, String when, String look) {
        return "{\"id\": \"%s\", \"label\": \"%s\", \"when\": \"%s\", \"look\": \"%s\"}".formatted(id, id, when, look);
    }

    @Test
    void theFirstRuleThatHoldsMarksARow() {
        Report report = with(rule("large", "net > 100", "alert") + "," + rule("some", "net > 20", "watch"), false);
        Marks marks = ROWS.grouped(report, Answers.NONE).marks();
        assertThat(List.of(marks.ofRow(0), marks.ofRow(1), marks.ofRow(2), marks.ofRow(3)))
                .containsExactly(Marks.NONE, 1, 0, Marks.NONE);
        assertThat(marks.count(0)).isEqualTo(1);
        assertThat(marks.count(1)).isEqualTo(1);
    }

    @Test
    void aMarkedRowIsToldApartWithoutColour() {
        TableResult grouped = ROWS.grouped(with(rule("large", "net > 100", "alert"), false), Answers.NONE);
        Page page = Pages.of(Bands.of(grouped), () -> false).page(1);
        List<Page.BandBox> marked =
                page.bands().stream().filter(band -> band.mark() != Page.NONE).toList();
        assertThat(marked).hasSize(1);
        int first = marked.getFirst().firstCell();
        Page.Cell sign = page.cells().get(first);
        assertThat(page.texts().get(sign.text())).isEqualTo("▲");
        Page.Cell figure = page.cells().get(first + 1);
        assertThat(page.texts().get(figure.text())).isEqualTo("200.00");
        assertThat(page.fonts().styles().get(figure.style()).face()).isEqualTo("semibold");
    }

    @Test
    void groupsPrintedAsLinesAreMarkedByTheirTotals() {
        TableResult grouped = ROWS.grouped(with(rule("large", "SUM(net) > 100", "note"), true), Answers.NONE);
        assertThat(grouped.marks().count(0)).isEqualTo(1);
    }

    @Test
    void aRuleOnRowsMarksLinesByTheirFirstRow() {
        TableResult grouped = ROWS.grouped(with(rule("upland", "region = 'Upland'", "note"), true), Answers.NONE);
        assertThat(grouped.marks().count(0)).isEqualTo(1);
    }

    /** Which of the four rows a rule marks. */
    private static List<Integer> marked(String when) {
        Marks marks = ROWS.grouped(with(rule("over", when, "watch"), false), Answers.NONE)
                .marks();
        return IntStream.range(0, ROWS.lineCount())
                .filter(row -> marks.ofRow(row) == 0)
                .boxed()
                .toList();
    }

    @Test
    void aRuleMayCompareARowWithTheGroupsAroundIt() {
        assertThat(marked("net > AVG(net) OVER (PARTITION BY region)")).containsExactly(1);
        assertThat(marked("net > 0.5 * SUM(net) OVER ()")).containsExactly(2);
        assertThat(marked("SUM(net) OVER (PARTITION BY region, \\\"order\\\") < 100"))
                .containsExactly(0, 1);
        assertThat(marked("COUNT(*) FILTER (WHERE net IS NULL) OVER (PARTITION BY region) > 0"))
                .containsExactly(2, 3);
    }

    @Test
    void aRuleMayLookAtTheRowsPrintedBeforeItsOwn() {
        // In each region the larger line stands first.
        assertThat(marked("SUM(net) OVER (PARTITION BY region ORDER BY lines) > 65"))
                .containsExactly(0, 2, 3);
    }

    @Test
    void ofLinesOfGroupsARuleComparesTheirTotals() {
        TableResult grouped =
                ROWS.grouped(with(rule("most", "SUM(net) > 0.5 * SUM(net) OVER ()", "note"), true), Answers.NONE);
        assertThat(grouped.marks().count(0)).isEqualTo(1);
        TableResult alone = ROWS.grouped(with(rule("large", "SUM(net) OVER () > 100", "note"), true), Answers.NONE);
        assertThat(alone.marks().count(0)).isEqualTo(2);
    }

    @Test
    void aRuleOverAnUnknownLevelNamesThoseThatThereAre() {
        assertThatThrownBy(() -> marked("net > SUM(net) OVER (PARTITION BY depot)"))
                .hasMessageContaining("found depot, expected");
    }

    @Test
    void aRuleThatIsNoConditionIsToldAtItsPlace() {
        assertThatThrownBy(() -> ROWS.grouped(with(rule("x", "net + 1", "note"), false), Answers.NONE))
                .hasMessageContaining("/blocks/0/highlights/0/when: 1:1 found a decimal number, expected a condition");
    }
}
