package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.assertj.core.data.Offset;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.core.plan.style.MarkStyle;
import org.grammatus.core.plan.style.StyleCheck;
import org.grammatus.core.plan.style.StylePlanning;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.typography.Faces;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.json.JsonMapper;

/** Meaning 46: house styles, what reports say otherwise, and that everybody can read what comes along. */
@Meaning(46)
class HouseStyleTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .line("S1", "Hives", "-1234.50")
            .line("S1", "Jars", "60.00")
            .line("S1", "Feed", null);

    static List<HouseStyle> shipped() {
        return HouseStyles.SHIPPED;
    }

    private static Report report(String more) {
        return Definitions.readReport(Samples.REPORT.replace("\"page\": {", more + ", \"page\": {"));
    }

    private static Page page(String more) {
        return Pages.of(Bands.of(ROWS.grouped(report(more), Answers.NONE)), () -> false)
                .page(1);
    }

    @Test
    void aReportIsSetInTheFaceOfItsStyleAndMeasuredOnIt() {
        assertThat(page("\"style\": \"standard\"").fonts().family()).isEqualTo("base");
        Page noto = page("\"look\": {\"face\": \"noto-sans\"}");
        assertThat(noto.fonts().family()).isEqualTo("wide");
        Page.Cell figure = cell(noto, "60.00");
        Page.Style style = noto.fonts().styles().get(figure.style());
        assertThat(figure.width())
                .isEqualTo(Family.WIDE
                        .face(Weight.valueOf(style.face().toUpperCase(Locale.ROOT)))
                        .width("60.00", style.size()));
        assertThat(noto.fonts().runs()).as("all letters are there").isEmpty();
    }

    @Test
    void aFaceThatIsGoneIsToldAndTheUsualOneTakesItsPlace() {
        Report gone = report("\"look\": {\"face\": \"not-there\"}");
        assertThat(notices(gone).toString()).contains("/look/face").contains("no face is called \"not-there\"");
        assertThat(page("\"look\": {\"face\": \"not-there\"}").fonts().family()).isEqualTo("base");
        String style = "{\"format\": \"grammatus-style\", \"version\": 1, \"id\": \"s\", \"name\": \"S\","
                + " \"look\": {\"face\": \"not-there\"}}";
        assertThat(StyleCheck.of(Definitions.readStyle(style), Faces.SHIPPED).stream()
                        .map(Problem::pointer))
                .containsExactly("/look/face");
    }

    private static Page.Cell cell(Page page, String text) {
        return page.cells().stream()
                .filter(each -> page.texts().get(each.text()).equals(text))
                .findFirst()
                .orElseThrow(() -> new AssertionError(text + " is not among " + page.texts()));
    }

    private static Page.Style style(Page page, String text) {
        return page.fonts().styles().get(cell(page, text).style());
    }

    @ParameterizedTest
    @MethodSource("shipped")
    void whatComesAlongCanBeReadByEverybody(HouseStyle style) {
        assertThat(StyleCheck.of(style, Faces.SHIPPED)).isEmpty();
        List<MarkStyle> marks = StylePlanning.of(style).marks();
        // Without any colour the signs alone tell looks apart.
        assertThat(marks.stream().map(MarkStyle::sign)).doesNotHaveDuplicates();
        assertThat(marks.stream().map(MarkStyle::id)).contains("alert", "watch", "note");
        for (String colour : StylePlanning.of(style).palette()) {
            assertThat(StyleCheck.contrast(colour, "#ffffff")).as(colour).isGreaterThan(2.3);
        }
        assertThat(Definitions.readStyle(Definitions.write(style))).isEqualTo(style);
    }

    /** Signs are told apart, and grounds besides: for those who see no red, no green, and in grey. */
    @ParameterizedTest
    @MethodSource("shipped")
    void groundsDifferInGreyFromThePaperWhereThereAreAny(HouseStyle style) {
        for (MarkStyle mark : StylePlanning.of(style).marks()) {
            boolean other =
                    !mark.fill().isEmpty() || mark.bold() || !mark.sign().isBlank();
            assertThat(other).as(mark.name()).isTrue();
            if (!mark.fill().isEmpty()) {
                assertThat(StyleCheck.contrast(mark.fill(), "#ffffff"))
                        .as(mark.name())
                        .isGreaterThan(1.05);
            }
        }
    }

    @Test
    void levelsAreToldApartBySizeBeforeColour() {
        for (HouseStyle style : HouseStyles.SHIPPED) {
            List<Integer> sizes = StylePlanning.of(style).texts().entrySet().stream()
                    .filter(entry -> Set.of("HEADING_1", "HEADING_2", "HEADING_3")
                            .contains(entry.getKey().name()))
                    .sorted(Map.Entry.comparingByKey())
                    .map(entry -> entry.getValue().size())
                    .toList();
            assertThat(sizes).as(style.name()).isSortedAccordingTo(Comparator.reverseOrder());
            assertThat(new HashSet<>(sizes)).hasSize(3);
        }
    }

    @Test
    void aReportIsPrintedInItsStyle() {
        Page plain = page("\"asksFirst\": false");
        Page ledger = page("\"style\": \"ledger\"");
        assertThat(style(plain, "Orders").ink()).isEqualTo("#161616");
        assertThat(style(ledger, "Orders").ink()).isEqualTo("#1f4d3a");
        assertThat(style(ledger, "Orders").size()).isEqualTo(1800);
        assertThat(ledger.drawings().ruleInks()).containsExactly("#3f6b57", "#b9cfc4");
        assertThat(page("\"style\": \"black-on-white\"").fonts().styles())
                .allMatch(style -> style.ink().equals("#000000"));
    }

    @Test
    void figuresBelowZeroAndBlanksLookAsTheStyleSays() {
        Page ledger = page("\"style\": \"ledger\"");
        Page.Cell below = cell(ledger, "(1,234.50)");
        Page.Cell above = cell(ledger, "60.00");
        // Digits stand below digits: the bracket hangs out.
        int bracket = new TypeSetting(100, StylePlanning.of(HouseStyles.SHIPPED.get(1)), Family.BASE)
                .width(")", TextStyle.CELL);
        assertThat(below.x() + below.width() - bracket).isCloseTo(above.x() + above.width(), Offset.offset(2));
        assertThat(ledger.texts()).contains("–");
        Page red = page("\"look\": {\"figures\": {\"negative\": \"red\"}}");
        assertThat(style(red, "-1,234.50").ink()).isEqualTo("#a1260d");
        assertThat(style(red, "60.00").ink()).isEqualTo("#161616");
    }

    @Test
    void whatAReportSaysStandsOverItsStyleAndThatOverTheFoundation() {
        Page page = page("\"style\": \"ledger\", \"look\": {\"texts\": [{\"of\": \"title\", \"size\": 30}]}");
        assertThat(style(page, "Orders").size()).isEqualTo(3000);
        assertThat(style(page, "Orders").ink()).isEqualTo("#1f4d3a");
        assertThat(style(page, "Lakeside").size()).isEqualTo(1200);
    }

    @Test
    void whatStandsAtTheEdgesOfPagesIsTheStylesWhereAReportSaysNothing() {
        String edges = "\"look\": {\"edges\": {\"footer\": {\"centre\": \"Merrowdale · {page} of {pages}\"}}}";
        Page styled = page(edges);
        assertThat(styled.texts()).contains("Merrowdale · 1 of 1").doesNotContain("Page 1 of 1");
        Report own = Definitions.readReport(Samples.REPORT.replace(
                "\"page\": {", edges + ", \"page\": {\"lines\": {\"footer\": {\"end\": \"Own {page}\"}}, "));
        assertThat(Pages.of(Bands.of(ROWS.grouped(own, Answers.NONE)), () -> false)
                        .page(1)
                        .texts())
                .contains("Own 1")
                .doesNotContain("Merrowdale · 1 of 1");
    }

    private static List<Problem> notices(Report report) {
        Plan plan = Planner.plan(report, Samples.dataset(), Answers.NONE, RunContext.on(LocalDate.parse("2026-03-31")));
        return plan.notices();
    }

    @Test
    void aStyleThatIsGoneIsToldAndTheUsualOneTakesItsPlace() {
        assertThat(notices(report("\"style\": \"gone\"")).toString())
                .contains("/style")
                .contains("no house style is called \"gone\"; it is printed in \"Standard\"");
        Report marked = Definitions.readReport(Samples.REPORT.replace(
                "\"highlights\": []",
                "\"highlights\": [{\"id\": \"h\", \"label\": \"H\", \"when\": \"net > 1\", \"look\": \"shiny\"}]"));
        assertThat(notices(marked).toString())
                .contains("/blocks/0/highlights/0/look")
                .contains("\"Act now\"");
        assertThat(notices(report("\"style\": \"ledger\""))).isEmpty();
    }

    @Test
    void whatNobodyCouldReadIsRefused() {
        String pale = """
                {"format": "grammatus-style", "version": 1, "id": "pale", "name": "Pale", "look": {
                  "inks": {"text": "#bbbbbb"},
                  "marks": [{"id": "a", "name": "A", "sign": "!", "fill": "#ffffff"},
                            {"id": "a", "name": "B", "sign": "!", "fill": "#333333", "ink": "#161616"}]}}
                """;
        String faults = StyleCheck.of(Definitions.readStyle(pale), Faces.SHIPPED).stream()
                .map(Problem::toString)
                .collect(Collectors.joining("\n"));
        assertThat(faults)
                .contains("/look/texts")
                .contains("is 1.9 : 1, expected at least 4.5 : 1")
                .contains("/look/marks/1/id")
                .contains("/look/marks/1/sign")
                .contains("#161616 on #333333");
        assertThatThrownBy(() -> Definitions.readStyle(pale.replace("#bbbbbb", "grey")))
                .hasMessageContaining("/look/inks/text");
        assertThatThrownBy(() -> Definitions.readStyle(pale.replace("\"version\": 1", "\"version\": 7")))
                .hasMessageContaining("/version");
    }

    /** A report says otherwise in the very words of a style. */
    @Test
    void bothSchemasHaveTheSameParts() {
        JsonMapper json = JsonMapper.shared();
        for (String part : List.of("styleParts", "markLook", "colour", "lineWidth", "pageLine", "template")) {
            assertThat(json.readTree(Definitions.schema("report")).path("$defs").path(part))
                    .isEqualTo(json.readTree(Definitions.schema("style"))
                            .path("$defs")
                            .path(part));
        }
    }
}
