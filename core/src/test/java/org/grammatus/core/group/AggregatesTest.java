package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The five aggregates, with and without a filter, over the same six lines, blanks and a line without an order among them. */
@Meaning({1, 3})
class AggregatesTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "COUNT(*) | 6",
                "COUNT(net) | 5",
                "COUNT(freight) | 2",
                "COUNT(DISTINCT category) | 2",
                "COUNT(DISTINCT order_number) | 3",
                "SUM(net) | 56.05",
                "SUM(DISTINCT net) | 36.05",
                "AVG(net) | 11.21",
                "AVG(freight) | 6.25",
                "AVG(DISTINCT net) | 9.01",
                "MIN(net) | -4.00",
                "MAX(net) | 20.05",
                "MIN(category) | Hives",
                "MAX(region) | Upland",
                "MAX(ordered_at) | 31 Mar 2026 23:30",
                "MEDIAN(net) | 20.00",
                "MEDIAN(DISTINCT net) | 10.00",
                "MEDIAN(freight) | 6.25",
                "MEDIAN(net) FILTER (WHERE FALSE) | ",
                "MEDIAN(net) FILTER (WHERE category = 'Hives') | 20.03",
                "FIRST(category) | Hives",
                "LAST(category) | Hives",
                "FIRST(order_number) FILTER (WHERE category = 'Jars') | S1",
                "LAST(order_number) | S2",
                "LAST(net) FILTER (WHERE region = 'Upland') | ",
                "FIRST(freight) FILTER (WHERE region = 'Upland') | 7.50",
                "FIRST(net) FILTER (WHERE FALSE) | ",
                "SUM(net) / COUNT(DISTINCT order_number) | 18.68",
                "SUM(freight) / 0 | ",
                "COUNT(*) FILTER (WHERE category = 'Hives') | 3",
                "COUNT(*) FILTER (WHERE net > 0) | 3",
                "SUM(net) FILTER (WHERE region = 'Lakeside') | 40.00",
                "SUM(net) FILTER (WHERE FALSE) | ",
                "COUNT(net) FILTER (WHERE FALSE) | 0",
                "AVG(net) FILTER (WHERE category = 'Jars') | 5.33",
                "COUNT(DISTINCT order_number) FILTER (WHERE category = 'Jars') | 2",
                "SUM(freight) FILTER (WHERE region <> 'Upland') | 5.00",
                "SUM(freight) FILTER (WHERE category = 'Hives') | 12.50",
                "SUM(freight) FILTER (WHERE category = 'Jars') | 5.00",
                "CASE WHEN SUM(net) > 50 THEN 'large' ELSE 'small' END | large"
            })
    void overTheWholeReport(String aggregate, String printed) {
        assertThat(grandTotal(aggregate)).isEqualTo(printed == null ? "" : printed);
    }

    private static String grandTotal(String aggregate) {
        Samples samples = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .order("S2", "2026-03-31T23:30", "Upland", "7.50")
                .order("S3", "2026-02-01T08:00", "Coast", null)
                .line("S1", "Hives", "20.00")
                .line("S1", "Jars", "20.00")
                .line("S2", "Hives", "20.05")
                .line("S2", "Hives", null)
                .line("S3", "Jars", "-4.00")
                .line("gone", "Jars", "0.00");
        String text = Samples.REPORT.replace("\"value\": \"SUM(net)\"", "\"value\": \"" + aggregate + "\"");
        TableResult grouped = samples.grouped(Definitions.readReport(text), Answers.NONE);
        return new BandTexts(grouped).total(0, GroupTree.ROOT);
    }
}
