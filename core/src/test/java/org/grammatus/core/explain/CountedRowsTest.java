package org.grammatus.core.explain;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Which rows count in a figure, and which of its scope do not. */
class CountedRowsTest {

    /** Row numbers: 0 and 1 are lines of S1, 2 to 4 of S2, 5 of S3, which has no freight. */
    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-02-05T10:00", "Lakeside", "7.50")
            .order("S3", "2026-03-31T23:30", "Upland", null)
            .line("S1", "Hives", "10.00")
            .line("S1", "Jars", "30.00")
            .line("S2", "Hives", "20.00")
            .line("S2", "Jars", "40.00")
            .line("S2", "Jars", null)
            .line("S3", "Jars", "25.00");

    private static List<Integer> counted(String total, int node) {
        GroupingStep.Result result = ROWS.grouping(
                Definitions.readReport(
                        Samples.REPORT.replace("\"value\": \"SUM(freight)\"", "\"value\": \"" + total + "\"")),
                Answers.NONE);
        int place = node == GroupTree.ROOT
                ? GroupTree.ROOT
                : result.grouped().tree().nodeAt(node);
        return CountedRows.of(result, 1, place).stream().boxed().toList();
    }

    @Test
    void ofACoarserMeasureTheFirstPrintedRowOfEachOrderCounts() {
        // Rows go by net, largest first: line 1 stands before line 0, line 3 before line 2.
        assertThat(counted("SUM(freight)", GroupTree.ROOT)).containsExactly(1, 3);
    }

    @Test
    void ofTheRowsOwnMeasureEveryRowWithAValueCounts() {
        assertThat(counted("SUM(net)", GroupTree.ROOT)).containsExactly(0, 1, 2, 3, 5);
        assertThat(counted("COUNT(*)", GroupTree.ROOT)).containsExactly(0, 1, 2, 3, 4, 5);
    }

    @Test
    void aConditionLeavesOutTheRowsThatDoNotMeetIt() {
        assertThat(counted("SUM(CASE WHEN category = 'Hives' THEN net END)", GroupTree.ROOT))
                .containsExactly(0, 2);
    }

    @Test
    void ofEqualValuesTheFirstPrintedCounts() {
        // Lakeside, 100.00 in all, stands first; its first rows bring Jars and Hives.
        assertThat(counted("COUNT(DISTINCT category)", GroupTree.ROOT)).hasSize(2);
        assertThat(counted("COUNT(DISTINCT region)", GroupTree.ROOT)).containsExactly(3, 5);
    }

    @Test
    void inAGroupOnlyItsRowsCount() {
        // Place 1 is Lakeside, the last is S3 in Upland.
        assertThat(counted("COUNT(*)", 1)).containsExactly(0, 1, 2, 3, 4);
        assertThat(counted("SUM(net) / COUNT(freight)", 5)).containsExactly(5);
    }
}
