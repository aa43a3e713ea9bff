package org.grammatus.core.band;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandCell.Role;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Scalar;
import org.junit.jupiter.api.Test;

/** What each kind of band says and which exact values stand under its columns. */
class BandContentsTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-02-05T10:00", "Lakeside", "7.50")
            .order("S3", "2026-03-31T23:30", "Upland", null)
            .line("S1", "Hives", "10.00")
            .line("S2", "Hives", "20.00")
            .line("S2", "Jars", "0.05")
            .line("S3", "Jars", "25.00");

    private static TableResult grouped(String json) {
        return ROWS.grouped(Definitions.readReport(json), Answers.NONE);
    }

    private static List<List<String>> texts(TableResult grouped, BandKind kind) {
        Bands bands = Bands.of(grouped);
        BandContents contents = new BandContents(grouped);
        return IntStream.range(0, bands.size())
                .filter(band -> bands.kind(band) == kind)
                .mapToObj(band ->
                        contents.of(bands, band).stream().map(BandCell::text).toList())
                .toList();
    }

    @Test
    void theReportsHeaderSaysItsTitleItsAnswersAndItsColumns() {
        TableResult grouped = grouped(Samples.REPORT);
        BandContents contents = new BandContents(grouped);
        List<BandCell.Words> words = contents.words(Bands.of(grouped), 0);
        assertThat(words)
                .extracting(BandCell.Words::role, BandCell.Words::text)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(Role.TITLE, "Orders"),
                        org.assertj.core.groups.Tuple.tuple(Role.SUBTITLE, "Ordered: all dates"),
                        org.assertj.core.groups.Tuple.tuple(Role.COLUMN_HEADING, "Net"),
                        org.assertj.core.groups.Tuple.tuple(Role.COLUMN_HEADING, "Freight"));
        assertThat(contents.columnHeadings()).extracting(BandCell.Words::part).containsExactly("c-net", "c-freight");
    }

    @Test
    @Meaning(4)
    void headingsNameTheirGroupAndFootersCountAndTotalIt() {
        TableResult grouped = grouped(Samples.REPORT);
        assertThat(texts(grouped, BandKind.GROUP_HEADING))
                .containsExactly(List.of("Lakeside"), List.of("S2"), List.of("S1"), List.of("Upland"), List.of("S3"));
        assertThat(texts(grouped, BandKind.GROUP_FOOTER))
                .contains(List.of("Lakeside total", "2 orders, 3 lines", "30.05", "12.50"));
        assertThat(texts(grouped, BandKind.REPORT_FOOTER))
                .containsExactly(List.of("Grand total", "3 orders, 4 lines", "55.05", "12.50"));
        int lakeside = grouped.tree().nodeAt(1);
        assertThat(new BandContents(grouped).continued(lakeside).text()).isEqualTo("Lakeside (continued)");
        assertThat(new BandContents(grouped).continued(lakeside).part()).isEqualTo("region");
    }

    @Test
    @Meaning(3)
    void aCoarserMeasureStandsInTheFirstOfItsRowsAlone() {
        assertThat(texts(grouped(Samples.REPORT), BandKind.DETAIL))
                .containsExactly(
                        List.of("20.00", "7.50"), List.of("0.05"), List.of("10.00", "5.00"), List.of("25.00", ""));
    }

    @Test
    void valuesAreExactWhateverIsPrinted() {
        String rough = Samples.REPORT.replace("\"label\": \"Net\",", "\"label\": \"Net\", \"format\": \"0\",");
        TableResult grouped = grouped(rough);
        BandContents contents = new BandContents(grouped);
        BandCell.Value net = contents.cells()
                .figures(GroupTree.ROOT, org.grammatus.core.choice.Place.FOOTER)
                .getFirst();
        assertThat(net.text()).isEqualTo("55");
        assertThat(((Scalar.Number) net.scalar()).value()).isEqualTo(new BigDecimal("55.05"));
        assertThat(net.part()).isEqualTo("t-net");
        assertThat(contents.cells().totals(GroupTree.ROOT))
                .extracting(BandCell.Value::part)
                .containsExactly("t-net", "t-freight");
    }

    @Test
    void aGroupAsALineHasItsTotalsAndWhatItsRowsShare() {
        String lines = Samples.REPORT
                .replace(
                        "\"columns\": [",
                        "\"columns\": [{\"id\": \"c-order\", \"label\": \"Order\", \"value\": \"order_number\"},"
                                + " {\"id\": \"c-category\", \"label\": \"Category\", \"value\": \"category\"},")
                .replace(
                        "\"header\": \"heading\", \"footer\": \"totals\"}],",
                        "\"header\": \"line\", \"footer\": \"none\"}],")
                .replace("{\"at\": \"order\", \"in\": \"footer\"}", "{\"at\": \"order\", \"in\": \"header\"}")
                .replace("\"shown\": true", "\"shown\": false");
        TableResult grouped = grouped(lines);
        assertThat(texts(grouped, BandKind.GROUP_LINE))
                .containsExactly(
                        List.of("S2", "", "20.05", "7.50"),
                        List.of("S1", "Hives", "10.00", "5.00"),
                        List.of("S3", "Jars", "25.00", ""));
        assertThat(texts(grouped, BandKind.DETAIL)).isEmpty();
    }

    @Test
    void withoutRowsTheirPlaceSaysSo() {
        TableResult grouped = ROWS.grouped(Samples.report(), new Answers(Map.of("period", "2030-01-01/..")));
        assertThat(texts(grouped, BandKind.EMPTY)).containsExactly(List.of("No rows meet these conditions."));
        assertThat(texts(grouped, BandKind.REPORT_FOOTER))
                .containsExactly(List.of("Grand total", "0 orders, 0 lines", "", ""));
    }

    @Test
    void marksAreThoseOfTheirRows() {
        String marked = Samples.REPORT.replace(
                "\"highlights\": []",
                "\"highlights\": [{\"id\": \"h\", \"label\": \"Small\", \"when\": \"net < 15\", \"look\": \"watch\"}]");
        TableResult grouped = grouped(marked);
        Bands bands = Bands.of(grouped);
        BandContents contents = new BandContents(grouped);
        List<String> small = new ArrayList<>();
        for (int band = 0; band < bands.size(); band++) {
            if (!contents.marksOf(bands, band).isEmpty()) {
                small.add(contents.of(bands, band).getFirst().text());
            }
        }
        assertThat(small).containsExactly("0.05", "10.00");
    }
}
