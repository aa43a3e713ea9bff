package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where rows and groups stand among others: ranks, parts, what is printed before, what is alike. */
@Meaning(30)
class StandingTest {

    /** In printed order: Lakeside 30.00, 9.00 and 9.00, a blank; Upland 10.00. */
    private static Samples sales() {
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .order("S2", "2026-01-06T10:00", "Lakeside", "7.50")
                .order("S3", "2026-01-07T10:00", "Upland", null)
                .line("S1", "Hives", "30.00")
                .line("S2", "Hives", "9.00")
                .line("S2", "Jars", "9.00")
                .line("S2", "Jars", null)
                .line("S3", "Jars", "10.00");
    }

    private static List<String> cells(String column) {
        Report report = Definitions.readReport(
                Samples.REPORT.replace("\"value\": \"freight\"", "\"value\": \"" + column + "\""));
        TableResult grouped = sales().grouped(report, Answers.NONE);
        return Arrays.stream(grouped.rows().order())
                .mapToObj(row -> new BandContents(grouped).cells().rowText(row, 1))
                .toList();
    }

    private static List<String> figures(String total, String at) {
        Report report = Definitions.readReport(Samples.REPORT.replaceAll(
                "(?s)\"value\": \"SUM\\(freight\\)\", \"cells\": \\[.*?\\]",
                Matcher.quoteReplacement(
                        "\"value\": \"" + total + "\", \"cells\": [{\"at\": \"" + at + "\", \"in\": \"footer\"}]")));
        TableResult grouped = sales().grouped(report, Answers.NONE);
        List<String> figures = new ArrayList<>();
        for (int place = 0; place < grouped.tree().nodeCount(); place++) {
            figures.add(new BandTexts(grouped).total(1, grouped.tree().nodeAt(place)));
        }
        return figures;
    }

    @Test
    void rowsHaveAPlaceByAValueInTheirGroup() {
        assertThat(cells("RANK() OVER (PARTITION BY region ORDER BY net DESC)"))
                .containsExactly("1", "2", "2", "", "1");
        assertThat(cells("RANK() OVER (ORDER BY net DESC)")).containsExactly("1", "3", "3", "", "2");
        assertThat(cells("RANK() OVER (PARTITION BY region ORDER BY net)")).containsExactly("3", "1", "1", "", "1");
        assertThat(cells("CUME_DIST() OVER (PARTITION BY region ORDER BY net DESC)"))
                .containsExactly("0.33", "1.00", "1.00", "", "1.00");
        assertThat(cells("CUME_DIST() OVER (ORDER BY net ASC)")).containsExactly("1.00", "0.50", "0.50", "", "0.75");
    }

    @Test
    void aRowSeesTheOnePrintedBeforeItInItsGroup() {
        assertThat(cells("LAG(net) OVER (PARTITION BY region ORDER BY lines)"))
                .containsExactly("", "30.00", "9.00", "9.00", "");
        assertThat(cells("net - LAG(net) OVER (ORDER BY lines)")).containsExactly("", "-21.00", "0.00", "", "");
    }

    @Test
    void rowsThatAreAlikeAreCountedBlanksAmongThem() {
        assertThat(cells("COUNT(*) OVER (PARTITION BY region, category)")).containsExactly("2", "2", "2", "2", "1");
        assertThat(cells("COUNT(*) OVER (PARTITION BY category)")).containsExactly("2", "2", "3", "3", "3");
        assertThat(cells("COUNT(*) OVER (PARTITION BY net)")).containsExactly("1", "2", "2", "1", "1");
    }

    @Test
    void groupsHaveAPlaceToo() {
        assertThat(figures("RANK() OVER (PARTITION BY region ORDER BY SUM(net) DESC)", "order"))
                .containsExactly("", "", "1", "2", "", "1");
        assertThat(figures("RANK() OVER (ORDER BY SUM(net))", "region")).containsExactly("", "2", "", "", "1", "");
        assertThat(figures("LAG(SUM(net)) OVER (PARTITION BY region ORDER BY order)", "order"))
                .containsExactly("", "", "", "30.00", "", "");
        assertThat(figures("SUM(net) - LAG(SUM(net)) OVER (ORDER BY order)", "order"))
                .containsExactly("", "", "", "-12.00", "", "-8.00");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    RANK() OVER (ORDER BY category)|found a text, expected a number or a date for RANK
                    LAG(net) OVER ()|LAG needs ORDER BY, which says what is stepped over in printed order
                    LAG(net) OVER (ORDER BY region)|found region, expected what is stepped over in printed order
                    RANK() OVER (PARTITION BY category ORDER BY net)|found category, expected one of OVER ()
                    COUNT(*) OVER (PARTITION BY region, nothing)|found nothing, expected one of OVER ()
                    """)
    void whatHasNoPlaceSaysWhy(String column, String why) {
        assertThatThrownBy(() -> cells(column)).hasMessageContaining(why);
    }

    @Test
    void theGroupsOfTheInnermostLevelHaveNoneToRank() {
        assertThatThrownBy(() -> figures("RANK() OVER (PARTITION BY region, order ORDER BY SUM(net))", "order"))
                .hasMessageContaining("RANK ranks the groups inside a group, and there are none inside this one");
        assertThatThrownBy(() -> figures("RANK() OVER (ORDER BY SUM(net))", "order"))
                .as("it has a value beside regions")
                .hasMessageContaining("steps over \"Region\"");
    }
}
