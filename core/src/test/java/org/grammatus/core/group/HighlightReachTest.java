package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Pages;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Meaning 14: how far a highlight reaches, and which of several rules mark the same place. */
@Meaning(14)
class HighlightReachTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-03-31T23:30", "Upland", "7.50")
            .line("S1", "Hives", "10.00")
            .line("S1", "Jars", "60.00")
            .line("S2", "Hives", "200.00")
            .line("S2", "Feed", null);

    private static Report with(String... rules) {
        return Definitions.readReport(
                Samples.REPORT.replace("\"highlights\": []", "\"highlights\": [" + String.join(",", rules) + "]"));
    }

    private static String rule(String id, String when, String more) {
        return "{\"id\": \"%s\", \"label\": \"%s\", \"when\": \"%s\", \"look\": \"alert\"%s}"
                .formatted(id, id, when, more);
    }

    private static String reach(String of, String level) {
        return ", \"reach\": {\"of\": \"%s\", \"level\": \"%s\"}".formatted(of, level);
    }

    /** The bands that are marked as a whole, each by its kind. */
    private static List<BandKind> marked(Report report) {
        Bands bands = Bands.of(ROWS.grouped(report, Answers.NONE));
        BandContents contents = new BandContents(bands);
        List<BandKind> kinds = new ArrayList<>();
        for (int band = 0; band < bands.size(); band++) {
            if (!contents.marksOf(bands, band).isEmpty()) {
                kinds.add(bands.kind(band));
            }
        }
        return kinds;
    }

    @Test
    void aRuleMarksTheHeadingOrTheTotalsOfItsLevelAlone() {
        assertThat(marked(with(rule("h", "SUM(net) > 100", reach("heading", "region")))))
                .containsExactly(BandKind.GROUP_HEADING);
        assertThat(marked(with(rule("h", "SUM(net) > 100", reach("totals", "region")))))
                .containsExactly(BandKind.GROUP_FOOTER);
        assertThat(marked(with(rule("h", "SUM(net) > 100", reach("totals", "report")))))
                .containsExactly(BandKind.REPORT_FOOTER);
    }

    @Test
    void aRuleMarksAWholeGroupWithTheGroupsInsideIt() {
        Report report = with(rule("h", "SUM(net) > 100", reach("group", "region")));
        assertThat(marked(report))
                .containsExactly(
                        BandKind.GROUP_HEADING,
                        BandKind.GROUP_HEADING,
                        BandKind.DETAIL,
                        BandKind.DETAIL,
                        BandKind.GROUP_FOOTER,
                        BandKind.GROUP_FOOTER);
        assertThat(ROWS.grouped(report, Answers.NONE).marks().count(0)).isEqualTo(1);
    }

    @Test
    void aRuleOfGroupsThatAddsUpNothingIsReadFromTheirFirstRow() {
        assertThat(marked(with(rule("h", "region = 'Upland'", reach("heading", "region")))))
                .containsExactly(BandKind.GROUP_HEADING);
    }

    @Test
    void aRuleMayMarkOneCell() {
        Report report = with(rule("h", "net > 100", ", \"reach\": {\"of\": \"row\", \"column\": \"c-net\"}"));
        Page page = Pages.of(Bands.of(ROWS.grouped(report, Answers.NONE)), () -> false)
                .page(1);
        Page.ColumnBox column = page.parts().columns().getFirst();
        assertThat(page.drawings().fills()).hasSize(1);
        Page.Fill fill = page.drawings().fills().getFirst();
        assertThat(fill.x()).isLessThan(column.x());
        assertThat(fill.x() + fill.width())
                .isGreaterThan(column.x() + column.width())
                .isLessThan(page.parts().columns().get(1).x());
        List<String> bold = page.cells().stream()
                .filter(cell -> cell.y() > fill.y() && cell.y() < fill.y() + fill.height())
                .filter(cell -> page.fonts().styles().get(cell.style()).face().equals("semibold"))
                .map(cell -> page.texts().get(cell.text()))
                .toList();
        assertThat(bold).containsExactly("200.00", "▲");
    }

    @Test
    void rulesOfDifferentPlacesDoNotTakeFromEachOther() {
        Report report = with(
                rule("row", "net > 50", ""),
                rule("cell", "net > 100", ", \"reach\": {\"of\": \"row\", \"column\": \"c-net\"}"),
                rule("later", "net > 100", ""),
                rule("also", "net > 100", ", \"also\": true"));
        Marks marks = ROWS.grouped(report, Answers.NONE).marks();
        assertThat(List.of(marks.count(0), marks.count(1), marks.count(2), marks.count(3)))
                .containsExactly(2, 1, 0, 1);
    }

    @Test
    @Meaning(16)
    void aRuleWhoseLevelIsSwitchedOffMarksNothing() {
        String off = Samples.REPORT
                .replace(
                        "\"highlights\": []",
                        "\"highlights\": [" + rule("h", "SUM(net) > 1", reach("group", "order")) + "]")
                .replace("\"name\": \"Order\",", "\"name\": \"Order\", \"off\": true,");
        assertThat(marked(Definitions.readReport(off))).isEmpty();
    }

    @Test
    void wordsStandBesideRowsInARoomOfTheirOwn() {
        Report plain = with(rule("h", "net > 100", ""));
        Report worded = with(rule("h", "net > 100", ", \"word\": \"very large\""));
        Page page = Pages.of(Bands.of(ROWS.grouped(worded, Answers.NONE)), () -> false)
                .page(1);
        Page before = Pages.of(Bands.of(ROWS.grouped(plain, Answers.NONE)), () -> false)
                .page(1);
        Page.Cell word = page.cells().stream()
                .filter(cell -> page.texts().get(cell.text()).equals("very large"))
                .findFirst()
                .orElseThrow();
        assertThat(page.parts().columns().getFirst().x())
                .isGreaterThan(before.parts().columns().getFirst().x());
        assertThat(word.x())
                .isGreaterThanOrEqualTo(page.parts().blocks().getFirst().x());
        assertThat(word.x() + word.width())
                .isLessThan(page.parts().columns().getFirst().x());
    }

    @Test
    void whatCannotBeMarkedIsRefusedWithItsPlace() {
        assertThatThrownBy(() -> with(rule("h", "net > 1", ", \"reach\": {\"of\": \"group\"}")))
                .hasMessageContaining("/blocks/0/highlights/0/reach: property \"level\" is missing");
        assertThatThrownBy(() -> with(rule("h", "net > 1", reach("row", "region"))))
                .hasMessageContaining("about no level");
        assertThatThrownBy(() -> with(rule("h", "net > 1", reach("group", "report"))))
                .hasMessageContaining("the totals alone");
        assertThatThrownBy(() -> with(rule("h", "net > 1", reach("totals", "nowhere"))))
                .hasMessageContaining("/reach/level");
        assertThatThrownBy(() -> ROWS.grouped(with(rule("h", "net > 1", reach("totals", "report"))), Answers.NONE))
                .hasMessageContaining("must be about them");
        assertThat(ROWS.grouped(with(rule("h", "SUM(net) / 0 > 1", reach("group", "region"))), Answers.NONE)
                        .marks()
                        .count(0))
                .isZero();
    }
}
