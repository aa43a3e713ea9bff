package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** 5 and 8.3: group filters, the largest and smallest, others, and what totals cover. */
@Meaning({19, 20, 21})
class SelectionTest {

    private static final String NET = "{\"value\": \"SUM(net)\"}";
    private static final String FREIGHT = "{\"value\": \"SUM(freight)\"}";
    private static final String LARGEST_FIRST =
            "[{\"id\": \"%s\", \"by\": \"SUM(net)\", \"direction\": \"descending\"}]";

    private static String level(String id, String key, String more) {
        return "{\"id\": \"%s\", \"name\": \"%s\", \"key\": \"%s\", %s \"order\": %s}"
                .formatted(id, id, key, more, LARGEST_FIRST.formatted("o-" + id));
    }

    private static Samples sales() {
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .order("S2", "2026-01-06T10:00", "Lakeside", "7.00")
                .order("S3", "2026-01-07T10:00", "Upland", "2.00")
                .order("S4", "2026-01-08T10:00", "Upland", "1.00")
                .order("S5", "2026-01-08T10:00", "Coast", "9.00")
                .line("S1", "Hives", "30.00")
                .line("S1", "Jars", "10.00")
                .line("S2", "Jars", "6.00")
                .line("S3", "Hives", "8.00")
                .line("S4", "Jars", "4.00")
                .line("S4", "Feed", "3.00")
                .line("S5", "Feed", "5.00");
    }

    private static TableResult grouped(String levels, String more) {
        return sales().grouped(Samples.report(levels, more, NET, FREIGHT), Answers.NONE);
    }

    @Test
    void aGroupFilterLeavesGroupsOutOfTheTotalsAroundThem() {
        TableResult grouped = grouped(level("region", "region", "\"having\": \"SUM(net) > 10\","), "");
        assertThat(TreeText.of(grouped))
                .containsExactly("all | 61.00 | 15.00", "  Lakeside | 46.00 | 12.00", "  Upland | 15.00 | 3.00");
        assertThat(grouped.notices())
                .extracting(Problem::message)
                .contains("1 of 3 groups of level \"region\" do not meet its condition; totals leave them out");
    }

    @Test
    void totalsCanCoverEverything() {
        TableResult grouped = grouped(
                level("region", "region", "\"having\": \"SUM(net) > 10\","), "\"totalsCover\": \"everything\",");
        assertThat(TreeText.of(grouped))
                .containsExactly("all | 66.00 | 24.00", "  Lakeside | 46.00 | 12.00", "  Upland | 15.00 | 3.00");
    }

    @Test
    void innerLevelsAreChosenFirst() {
        // Without its lines of less than 5, Upland has no more than 8 and is not kept.
        String levels = level("region", "region", "\"having\": \"SUM(net) > 10\",")
                + ", "
                + level("category", "category", "\"having\": \"SUM(net) >= 5\",");
        assertThat(TreeText.of(grouped(levels, "")))
                .containsExactly(
                        "all | 46.00 | 12.00",
                        "  Lakeside | 46.00 | 12.00",
                        "    Hives | 30.00 | 5.00",
                        "    Jars | 16.00 | 12.00");
        assertThat(TreeText.of(grouped(levels, "\"totalsCover\": \"everything\",")))
                .containsExactly(
                        "all | 66.00 | 24.00",
                        "  Lakeside | 46.00 | 12.00",
                        "    Hives | 30.00 | 5.00",
                        "    Jars | 16.00 | 12.00",
                        "  Upland | 15.00 | 3.00",
                        "    Hives | 8.00 | 2.00");
    }

    @Test
    void theLargestOfEachParentAndTheOthersTogether() {
        String levels = level("region", "region", "")
                + ", "
                + level(
                        "category",
                        "category",
                        "\"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net)\", \"count\": 1, \"others\": true},");
        // Freight of the others is that of their orders, once each: S1 is in both groups of Lakeside.
        assertThat(TreeText.of(grouped(levels, "")))
                .containsExactly(
                        "all | 66.00 | 24.00",
                        "  Lakeside | 46.00 | 12.00",
                        "    Hives | 30.00 | 5.00",
                        "    Others (1) | 16.00 | 12.00",
                        "  Upland | 15.00 | 3.00",
                        "    Hives | 8.00 | 2.00",
                        "    Others (2) | 7.00 | 1.00",
                        "  Coast | 5.00 | 9.00",
                        "    Feed | 5.00 | 9.00");
    }

    @Test
    void othersStandLastWhateverTheirSizeAndAreNotOpened() {
        String levels = level(
                        "region",
                        "region",
                        "\"limit\": {\"keep\": \"smallest\", \"by\": \"SUM(net)\", \"count\": 1, \"others\": true},")
                + ", "
                + level("category", "category", "");
        assertThat(TreeText.of(grouped(levels, "")))
                .containsExactly(
                        "all | 66.00 | 24.00",
                        "  Coast | 5.00 | 9.00",
                        "    Feed | 5.00 | 9.00",
                        "  Others (2) | 61.00 | 15.00");
    }

    @ParameterizedTest
    @CsvSource({"1, 1", "33, 1", "34, 2", "66, 2", "67, 3", "100, 3"})
    void aPercentageOfSiblingsIsRoundedUp(int percent, int kept) {
        TableResult grouped = grouped(
                level(
                        "region",
                        "region",
                        "\"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net)\", \"percent\": %d},"
                                .formatted(percent)),
                "");
        assertThat(grouped.tree().nodeCount() - 1).isEqualTo(kept);
    }

    @Test
    void whatIsNotAmongTheLargestLeavesTheTotalsUnlessTheyCoverEverything() {
        String levels = level(
                "region", "region", "\"limit\": {\"keep\": \"largest\", \"by\": \"SUM(freight)\", \"count\": 2},");
        assertThat(TreeText.of(grouped(levels, "")))
                .containsExactly("all | 51.00 | 21.00", "  Lakeside | 46.00 | 12.00", "  Coast | 5.00 | 9.00");
        assertThat(TreeText.of(grouped(levels, "\"totalsCover\": \"everything\",")))
                .containsExactly("all | 66.00 | 24.00", "  Lakeside | 46.00 | 12.00", "  Coast | 5.00 | 9.00");
    }

    @Test
    void theConditionComesBeforeTheLimit() {
        String levels = level(
                "region",
                "region",
                "\"having\": \"SUM(net) < 40\", \"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net)\", \"count\": 1, \"others\": true},");
        assertThat(TreeText.of(grouped(levels, "")))
                .containsExactly("all | 20.00 | 12.00", "  Upland | 15.00 | 3.00", "  Others (1) | 5.00 | 9.00");
        assertThat(TreeText.of(grouped(levels, "\"totalsCover\": \"everything\",")))
                .containsExactly("all | 66.00 | 24.00", "  Upland | 15.00 | 3.00", "  Others (1) | 5.00 | 9.00");
    }

    @Test
    void theFirstRowsOfEachGroupAndWhatIsSaidOfTheRest() {
        String limited =
                Samples.REPORT.replace("\"rows\": {\"shown\": true,", "\"rows\": {\"shown\": true, \"limit\": 1,");
        TableResult shown = sales().grouped(Definitions.readReport(limited), Answers.NONE);
        assertThat(shown.rows().order()).hasSize(5);
        assertThat(TreeText.of(shown).getFirst()).isEqualTo("all | 53.00 | 24.00");
        assertThat(new BandTexts(shown).leftOutInWords()).isEqualTo("lines: 2 of 7 not shown, nor in the totals");
        TableResult everything = sales().grouped(
                        Definitions.readReport(
                                limited.replace("\"counts\"", "\"totalsCover\": \"everything\", \"counts\"")),
                        Answers.NONE);
        assertThat(everything.rows().order()).hasSize(5);
        assertThat(TreeText.of(everything).getFirst()).isEqualTo("all | 66.00 | 24.00");
        assertThat(everything.notices())
                .extracting(Problem::message)
                .contains("2 of 7 lines are beyond the limit of each group; totals cover them");
    }

    @Test
    void theOtherRowsOfAGroupAsOneLineThatTotalsTakeIn() {
        TableResult half = limited("\"percent\": 50, \"others\": true");
        // Of two rows one is kept, of one the one: half is rounded up.
        assertThat(half.rows().order()).hasSize(5);
        assertThat(TreeText.of(half).getFirst()).isEqualTo("all | 66.00 | 24.00");
        assertThat(linesOf(half, BandKind.OTHER_ROWS))
                .containsExactly("1 other line | 10.00 | 5.00", "1 other line | 3.00 | 1.00");
        assertThat(new BandTexts(half).leftOutInWords()).isEmpty();
        assertThat(half.notices()).extracting(Problem::message).contains("2 of 7 lines stand together as others");
        TableResult none = limited("\"limit\": 2, \"others\": true");
        assertThat(none.rows().others()).isEmpty();
        assertThat(linesOf(none, BandKind.OTHER_ROWS)).isEmpty();
    }

    private static TableResult limited(String limit) {
        String json =
                Samples.REPORT.replace("\"rows\": {\"shown\": true,", "\"rows\": {\"shown\": true, " + limit + ",");
        return sales().grouped(Definitions.readReport(json), Answers.NONE);
    }

    /** What other rows are called and come to, by group in printed order. */
    private static List<String> linesOf(TableResult grouped, BandKind kind) {
        BandContents contents = new BandContents(grouped);
        Bands bands = Bands.of(grouped);
        return IntStream.range(0, bands.size())
                .filter(band -> bands.kind(band) == kind)
                .mapToObj(band ->
                        contents.of(bands, band).stream().map(BandCell::text).collect(Collectors.joining(" | ")))
                .toList();
    }

    @ParameterizedTest
    @CsvSource({"'\"limit\": 2, \"percent\": 10', /rows/percent", "'\"others\": true', /rows/others"})
    void aLimitOfRowsIsOneOrTheOther(String limit, String pointer) {
        assertThatThrownBy(() -> limited(limit)).hasMessageContaining(pointer);
    }

    @Test
    void nothingLeftIsAnEmptyReport() {
        assertThat(TreeText.of(grouped(level("region", "region", "\"having\": \"SUM(net) > 1000\","), "")))
                .containsExactly("all |  | ");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"having\": \"SUM(net) / SUM(net) OVER () > 0.1\" | /levels/0/having | only known once the groups are chosen",
                "\"having\": \"RANK() OVER (ORDER BY SUM(net)) < 3\" | /levels/0/having | only known once the groups are chosen",
                "\"having\": \"SUM(net)\" | /levels/0/having | expected a condition",
                "\"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net)\"} | /levels/0/limit | add \"count\" or",
                "\"limit\": {\"keep\": \"largest\", \"by\": \"net\", \"count\": 1} | /limit/by | put it into SUM",
                "\"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net) OVER ()\", \"count\": 1} | /limit/by | the group's own"
            })
    void whatDependsOnOtherGroupsChoosesNone(String property, String pointer, String message) {
        assertThatThrownBy(() -> grouped(level("region", "region", property + ","), ""))
                .hasMessageContaining(pointer)
                .hasMessageContaining(message);
    }
}
