package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.explain.InWords;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Meaning 8: values that list an order of their own stand in it, those not listed after them, blanks last. */
@Meaning(8)
class NaturalOrderTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "1.00")
            .order("S2", "2026-01-05T10:00", "Coast", "1.00")
            .order("S3", "2026-01-05T10:00", "Upland", "1.00")
            .order("S4", "2026-01-05T10:00", null, "1.00")
            .order("S5", "2026-01-05T10:00", "Islands", "1.00")
            .line("S1", "Hives", "1.00")
            .line("S2", "Hives", "2.00")
            .line("S3", "Jars", "3.00")
            .line("S4", "Jars", "4.00")
            .line("S5", "Jars", "5.00");

    private static final String LISTED = "\"order\": [\"Upland\", \"Lakeside\", \"Lowland\"]";

    private static DatasetModel listed() {
        return DatasetModel.of(Definitions.readDataset(Samples.DATASET.replace(
                "\"label\": \"Region\", \"type\": \"text\",",
                "\"label\": \"Region\", \"type\": \"text\", " + LISTED + ",")));
    }

    private static List<String> regions(DatasetModel dataset, String order) {
        Report report = Definitions.readReport(Samples.REPORT.replace(
                "\"order\": [{\"id\": \"o-region\", \"by\": \"SUM(net)\", \"direction\": \"descending\"}]",
                "\"order\": [" + order + "]"));
        TableResult grouped = ROWS.grouped(report, dataset, Answers.NONE);
        BandTexts printed = new BandTexts(grouped);
        List<String> labels = new ArrayList<>();
        for (int place = 1; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            if (grouped.tree().depthOf(node) == 1) {
                labels.add(printed.label(node));
            }
        }
        return labels;
    }

    private static String by(String expression, String direction) {
        return "{\"id\": \"o\", \"by\": \"" + expression + "\", \"direction\": \"" + direction + "\"}";
    }

    @Test
    void groupsStandAsListedByThemselves() {
        assertThat(regions(listed(), "")).containsExactly("Upland", "Lakeside", "Coast", "Islands", "(none)");
        assertThat(regions(Samples.dataset(), "")).containsExactly("Coast", "Islands", "Lakeside", "Upland", "(none)");
    }

    @Test
    void turnedRoundTheListedOnesTurnAndTheOthersStayBehind() {
        assertThat(regions(listed(), by("region", "descending")))
                .containsExactly("Lakeside", "Upland", "Islands", "Coast", "(none)");
    }

    @Test
    void aMeasureStillDecidesWhereOneIsAskedFor() {
        assertThat(regions(listed(), by("SUM(net)", "ascending")))
                .containsExactly("Lakeside", "Coast", "Upland", "(none)", "Islands");
    }

    @Test
    void aCalculatedFieldMayHaveOneToo() {
        DatasetModel dataset = Samples.dataset(
                "{\"id\": \"shore\", \"label\": \"Shore\", \"value\": \"region\", \"role\": \"descriptive\", " + LISTED
                        + "}",
                "");
        assertThat(regions(dataset, by("shore", "ascending")))
                .containsExactly("Upland", "Lakeside", "Coast", "Islands", "(none)");
    }

    @Test
    void theOrderIsSaidInWords() {
        TableResult grouped = ROWS.grouped(Samples.report(), listed(), Answers.NONE);
        InWords words = new InWords(listed());
        assertThat(words.order(
                        grouped.plan().levels().getFirst(), grouped.plan().totals()))
                .isEqualTo("by Net, largest first, then in its own order");
    }

    @Test
    void onlyTextsHaveOne() {
        String numbers = Samples.DATASET.replace("\"label\": \"Net\",", "\"label\": \"Net\", \"order\": [\"1\"],");
        assertThatThrownBy(() -> DatasetModel.of(Definitions.readDataset(numbers)))
                .hasMessageContaining("only a text has an order of its own");
        assertThatThrownBy(() -> Samples.dataset(
                        "{\"id\": \"x\", \"label\": \"X\", \"value\": \"net\", \"role\": \"additive\", " + LISTED + "}",
                        ""))
                .hasMessageContaining("/calculated/0/order: only a text has an order of its own");
    }
}
