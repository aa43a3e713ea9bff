package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.grammatus.core.Meaning;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;
import org.grammatus.runs.profile.FieldValues;
import org.grammatus.runs.profile.FieldValues.Value;
import org.grammatus.runs.profile.PromptChoices;
import org.grammatus.sources.DatasetReader;
import org.junit.jupiter.api.Test;

/** What can be chosen at a prompt, given the answers above: counted as plain SQL counts it. */
@Meaning(35)
class PromptChoicesTest {

    private static final DatasetReader READER = DemoData.held();

    private static final String REGION =
            "{\"id\": \"p1\", \"name\": \"region\", \"type\": \"choice\", \"label\": \"Region\", \"field\": \"region\"}";
    private static final String DEPOTS =
            "{\"id\": \"p2\", \"name\": \"depots\", \"type\": \"choices\", \"label\": \"Depots\", \"field\": \"depot\"%s}";
    private static final String APIARY =
            "{\"id\": \"p3\", \"name\": \"apiary\", \"type\": \"choice\", \"label\": \"Apiary\", \"field\": \"apiary_code\"}";
    private static final String EACH_ITS_OWN = """
            {"id": "f1", "kind": "condition", "field": "region", "comparison": "is", "prompt": "region"},
            {"id": "f2", "kind": "condition", "field": "depot", "comparison": "is", "prompt": "depots"},
            {"id": "f3", "kind": "condition", "field": "apiary_code", "comparison": "is", "prompt": "apiary"}
            """;

    private static Report report(String depots, String filters) {
        return asking(String.join(", ", REGION, DEPOTS.formatted(depots), APIARY), filters);
    }

    private static Report asking(String prompts, String filters) {
        return Definitions.readReport("""
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "sales-order-lines",
                 "locale": "en-GB", "prompts": [%s], "filters": [%s],
                 "blocks": [{"id": "t", "kind": "text", "paragraphs": []}],
                 "page": {"paper": "A4", "orientation": "portrait",
                   "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(prompts, filters));
    }

    private static List<Value> offered(Report report, int prompt, Map<String, String> answers) {
        return offered(report, prompt, answers, Optional.empty());
    }

    private static List<Value> offered(
            Report report, int prompt, Map<String, String> answers, Optional<Set<String>> only) {
        return new PromptChoices(READER, report, DemoData.datasets(report), DemoData.CONTEXT)
                .offered(report.prompts().get(prompt), new Answers(answers), "", only);
    }

    private static Map<String, Integer> counted(List<Value> values) {
        return values.stream()
                .collect(Collectors.toMap(Value::value, value -> value.rows().orElseThrow()));
    }

    private static Map<String, Integer> bySql(String value, String where) throws Exception {
        Map<String, Integer> counts = new TreeMap<>();
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                ResultSet rows = sql.createStatement()
                        .executeQuery("SELECT " + value + ", count(*) FROM sales_order_line"
                                + " LEFT JOIN sales_order USING (order_id) LEFT JOIN apiary USING (apiary_id) WHERE "
                                + where
                                + " GROUP BY 1 ORDER BY 2 DESC LIMIT 200")) {
            while (rows.next()) {
                counts.put(rows.getString(1), rows.getInt(2));
            }
        }
        return counts;
    }

    private static String region() throws Exception {
        return bySql("region", "region IS NOT NULL").keySet().iterator().next();
    }

    @Test
    void choicesAreThoseThatTheAnswersAboveLeaveBlankIncluded() throws Exception {
        Report report = report("", EACH_ITS_OWN);
        String region = region();
        assertThat(counted(offered(report, 1, Map.of("region", region))))
                .isEqualTo(bySql("coalesce(depot, '(none)')", "region = '" + region + "'"))
                .containsKey("(none)");
        assertThat(counted(offered(report, 2, Map.of("region", region, "depots", "(none)"))))
                .isEqualTo(bySql("code", "region = '" + region + "' AND depot IS NULL"));
        assertThat(counted(offered(report, 1, Map.of()))).isEqualTo(bySql("coalesce(depot, '(none)')", "1"));
    }

    @Test
    void whatIsAskedFurtherDownNarrowsNothingNorDoesWhatReadsSomethingElseToo() throws Exception {
        Map<String, Integer> all = bySql("coalesce(depot, '(none)')", "1");
        String apiary = bySql("code", "code IS NOT NULL").keySet().iterator().next();
        assertThat(counted(offered(report("", EACH_ITS_OWN), 1, Map.of("apiary", apiary))))
                .isEqualTo(all);
        String together =
                "{\"id\": \"f\", \"kind\": \"expression\", \"where\": \"region = :region OR apiary_code = :apiary\"}";
        assertThat(counted(offered(report("", together), 1, Map.of("region", region()))))
                .isEqualTo(all);
        String byItself = "{\"id\": \"f\", \"kind\": \"expression\", \"where\": \"quantity > 10\"}";
        assertThat(counted(offered(report("", byItself), 1, Map.of()))).isEqualTo(all);
    }

    @Test
    void choicesAreOfferedInTheOrderThatIsAskedFor() {
        assertThat(offered(report(", \"order\": \"natural\"", ""), 1, Map.of()))
                .extracting(Value::label)
                .filteredOn(label -> !label.equals("(none)"))
                .isSorted();
        assertThat(offered(report(", \"order\": \"newest\"", ""), 1, Map.of()))
                .extracting(Value::label)
                .filteredOn(label -> !label.equals("(none)"))
                .isSortedAccordingTo(Collections.reverseOrder());
        assertThat(offered(report(", \"order\": \"frequent\"", ""), 1, Map.of()))
                .filteredOn(value -> !value.value().equals("(none)"))
                .extracting(value -> -value.rows().orElseThrow())
                .isSorted();
    }

    @Test
    void whatIsListedIsOfferedAsItIsListedAndCountedWhereItIsAFields() throws Exception {
        String depot = bySql("depot", "depot IS NOT NULL").keySet().iterator().next();
        String listed = ", \"listed\": [{\"value\": \"Nowhere\", \"label\": \"A depot to come\"}," + " {\"value\": \""
                + depot + "\", \"label\": \"The first\"}]";
        assertThat(offered(report(listed, EACH_ITS_OWN), 1, Map.of()))
                .containsExactly(
                        new Value("Nowhere", "A depot to come", Optional.of(0), List.of()),
                        new Value(
                                depot,
                                "The first",
                                Optional.of(bySql("depot", "depot IS NOT NULL").get(depot)),
                                List.of()));
        String ofNoField = listed + "}";
        Report free = report(ofNoField.substring(0, ofNoField.length() - 1), "");
        assertThat(offered(free, 1, Map.of())).hasSize(2);
    }

    @Test
    void itIsToldWhichOfSomeChoicesAreStillThere() throws Exception {
        String region = region();
        Report report = report("", EACH_ITS_OWN);
        String inside =
                bySql("code", "region = '" + region + "'").keySet().iterator().next();
        String outside =
                bySql("code", "region <> '" + region + "'").keySet().iterator().next();
        assertThat(offered(report, 2, Map.of("region", region), Optional.of(Set.of(inside, outside))))
                .extracting(Value::value)
                .containsExactly(inside);
    }

    @Test
    void atMostTwoHundredAreOfferedAtOnce() {
        assertThat(offered(report("", ""), 2, Map.of())).hasSizeLessThanOrEqualTo(FieldValues.MOST);
    }

    @Test
    void anotherDatasetsValuesAreThoseOfItsRowsNarrowedWhereAFilterNamesAFieldOfIt() throws Exception {
        String prompts = REGION + ", " + APIARY.replace("\"field\"", "\"dataset\": \"apiaries\", \"field\"");
        String filter =
                "{\"id\": \"f1\", \"kind\": \"condition\", \"field\": \"region\", \"comparison\": \"is\", \"prompt\": \"region\"%s}";
        String there = ", \"also\": [{\"dataset\": \"apiaries\", \"field\": \"region\"}]";
        String region = region();
        Set<String> ofRegion = new TreeSet<>();
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                ResultSet rows =
                        sql.createStatement().executeQuery("SELECT code FROM apiary WHERE region = '" + region + "'")) {
            while (rows.next()) {
                ofRegion.add(rows.getString(1));
            }
        }
        Map<String, Integer> narrowed =
                counted(offered(asking(prompts, filter.formatted(there)), 1, Map.of("region", region)));
        assertThat(narrowed.keySet()).isNotEmpty().isSubsetOf(ofRegion);
        // Those of a thing by itself, an apiary without orders among them: each is one row.
        assertThat(narrowed).hasSize(Math.min(ofRegion.size(), FieldValues.MOST));
        assertThat(narrowed.values()).containsOnly(1);
        assertThat(counted(offered(asking(prompts, filter.formatted("")), 1, Map.of("region", region)))
                        .keySet())
                .anyMatch(code -> !ofRegion.contains(code));
    }

    @Test
    void aDatasetOfChoicesThatIsGoneIsToldWhereItIsAskedAndWhereItIsRun() {
        Report report = asking(APIARY.replace("\"field\"", "\"dataset\": \"gone\", \"field\""), "");
        assertThatThrownBy(() -> offered(report, 0, Map.of()))
                .hasMessageContaining("the dataset \"gone\" of the choices is not there any more");
        assertThatThrownBy(() -> Planner.plan(report, DemoData.datasets(report), Answers.NONE, DemoData.CONTEXT))
                .hasMessageContaining("/prompts/0/dataset: unknown dataset \"gone\"");
    }
}
