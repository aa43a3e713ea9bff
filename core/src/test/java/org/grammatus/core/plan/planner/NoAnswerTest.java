package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Meaning 6: no answer restricts nothing, in whichever condition it stands. */
@Meaning(6)
class NoAnswerTest {

    private static Samples sales() {
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .order("S2", "2026-01-07T10:00", "Upland", "2.00")
                .order("S3", "2026-01-08T10:00", null, "1.00")
                .line("S1", "Hives", "30.00")
                .line("S2", "Jars", "10.00")
                .line("S3", "Jars", "6.00");
    }

    private static Report report(String filter, String having, String net) {
        return Definitions.readReport(Samples.REPORT
                .replace("\"prompts\": [", """
                        "prompts": [{"id": "p-area", "name": "area", "type": "choice", "label": "Area", "field": "region"},""")
                .replace("\"filters\": [", "\"filters\": [" + filter + (filter.isEmpty() ? "" : ","))
                .replace("\"key\": \"region\",", "\"key\": \"region\"," + having)
                .replace("\"value\": \"SUM(net)\"", "\"value\": \"" + net + "\""));
    }

    private static List<String> tree(Report report, String area) {
        return TreeText.of(sales().grouped(report, new Answers(Map.of("area", area)))).stream()
                .filter(line -> !line.startsWith("    "))
                .toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"is", "is-not", "contains", "does-not-contain"})
    void aBuiltConditionOnAnUnansweredPromptKeepsEveryRow(String comparison) {
        String built = """
                {"id": "f", "kind": "condition", "field": "region", "comparison": "%s", "prompt": "area"}""".formatted(comparison);
        assertThat(tree(report(built, "", "SUM(net)"), ""))
                .containsExactly(
                        "all | 46.00 | 8.00",
                        "  Lakeside | 30.00 | 5.00",
                        "  Upland | 10.00 | 2.00",
                        "  (none) | 6.00 | 1.00");
    }

    @Test
    void aBuiltExclusionKeepsBlanksOnceItIsAnswered() {
        String built = """
                {"id": "f", "kind": "condition", "field": "region", "comparison": "is-not", "prompt": "area"}""";
        assertThat(tree(report(built, "", "SUM(net)"), "Upland"))
                .containsExactly("all | 36.00 | 6.00", "  Lakeside | 30.00 | 5.00", "  (none) | 6.00 | 1.00");
    }

    @Test
    void anUnansweredPromptRestrictsNoGroups() {
        String having = "\"having\": \"SUM(net) > 8 AND MAX(region) = :area\",";
        assertThat(tree(report("", having, "SUM(net)"), ""))
                .containsExactly("all | 40.00 | 7.00", "  Lakeside | 30.00 | 5.00", "  Upland | 10.00 | 2.00");
        String alone = "\"having\": \"NOT (MAX(region) = :area)\",";
        assertThat(tree(report("", alone, "SUM(net)"), "")).hasSize(4);
        assertThat(tree(report("", alone, "SUM(net)"), "Upland"))
                .containsExactly("all | 30.00 | 5.00", "  Lakeside | 30.00 | 5.00");
    }

    @Test
    void anAggregatesFilterIsLeftOutByItself() {
        String filtered = "SUM(net) FILTER (WHERE region = :area AND category = 'Jars')";
        assertThat(tree(report("", "", filtered), ""))
                .startsWith("all | 16.00 | 8.00", "  Lakeside |  | 5.00", "  Upland | 10.00 | 2.00");
        assertThat(tree(report("", "\"having\": \"" + filtered + " > 8\",", "SUM(net)"), ""))
                .as("the condition around it stays")
                .containsExactly("all | 10.00 | 2.00", "  Upland | 10.00 | 2.00");
    }

    @Test
    void whatIsWrongIsFoundWhateverWasAnswered() {
        assertThatThrownBy(
                        () -> tree(report("", "\"having\": \"SUM(nett) > 8 OR MAX(region) = :area\",", "SUM(net)"), ""))
                .hasMessageContaining("/blocks/0/levels/0/having: 1:5 unknown field \"nett\"");
    }
}
