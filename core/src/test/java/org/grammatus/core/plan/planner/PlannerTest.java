package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** A definition against its dataset: everything wrong at once, each at its pointer; advice where a sum means nothing. */
class PlannerTest {

    private static List<Problem> notices(String report) {
        return Planner.plan(Definitions.readReport(report), Samples.dataset(), Answers.NONE, Samples.CONTEXT)
                .notices();
    }

    private static TablePlan plan(String report) {
        return Planner.plan(Definitions.readReport(report), Samples.dataset(), Answers.NONE, Samples.CONTEXT)
                .table();
    }

    @Test
    void everyFaultOfADefinitionIsToldAtOnce() {
        String wrong = Samples.REPORT
                .replace("\"key\": \"region\"", "\"key\": \"regoin\"")
                .replace("\"value\": \"SUM(freight)\"", "\"value\": \"SUM(freight) + net\"")
                .replace("\"field\": \"ordered_at\"", "\"field\": \"orderd_at\"")
                .replace("\"counts\": [\"orders\", \"lines\"]", "\"counts\": [\"orders\", \"linse\"]");
        assertThatThrownBy(() -> plan(wrong))
                .hasMessageContaining("/filters/0/field: unknown field \"orderd_at\"; did you mean \"ordered_at\"?")
                .hasMessageContaining("/blocks/0/levels/0/key: 1:1 unknown field \"regoin\"; did you mean \"region\"?")
                .hasMessageContaining("/blocks/0/totals/1/value: 1:16 field \"net\" has many values here")
                .hasMessageContaining("/blocks/0/counts/1: unknown table \"linse\"");
    }

    private static String faults(String report, Answers answers) {
        try {
            Planner.plan(
                    Definitions.checkReport(report), ReportDatasets.of(Samples.dataset()), answers, Samples.CONTEXT);
            return "";
        } catch (ProblemException e) {
            return e.problems().stream().map(Problem::toString).collect(Collectors.joining("\n"));
        }
    }

    @Test
    void whatIsWrongInTheFormHidesNothingElse() {
        String wrong = Samples.REPORT
                .replace("\"title\": \"Orders\", ", "")
                .replace(
                        "\"direction\": \"descending\"}],\n                  \"header\": \"heading\"",
                        "\"direction\": \"down\"}],\n                  \"header\": 7")
                .replace("\"locale\": \"en-GB\"", "\"locale\": \"en-GB\", \"colour\": \"red\"")
                .replace("\"id\": \"t-freight\"", "\"id\": \"t-net\"")
                .replace("\"prompt\": \"period\"", "\"prompt\": \"perod\"")
                .replace("\"value\": \"SUM(freight)\"", "\"value\": \"SUM(fright)\"")
                .replace("\"A4\"", "\"A9\"");
        assertThat(faults(wrong, new Answers(Map.of("period", "2026-02-30"))).lines())
                .containsExactlyInAnyOrder(
                        "property \"title\" is missing",
                        "/colour: unknown property \"colour\"",
                        "/blocks/0/totals/1/id: found \"t-net\", which /blocks/0/totals/0 has already; every id is unique"
                                + " in the document",
                        "/filters/0/prompt: unknown prompt \"perod\", expected one of period; did you mean \"period\"?",
                        "/blocks/0/totals/1/value: 1:5 unknown field \"fright\"; did you mean \"freight\"?",
                        "/page/paper: found \"A9\", expected one of A3, A4, A5, B4, B5, Letter, Legal, Tabloid; did you mean \"A3\"?",
                        "/answers/period: \"2026-02-30\" is no day: February 2026 has 28 days");
    }

    @Test
    void aWrongAnswerAndAWrongDefinitionAreToldTogether() {
        assertThat(faults(
                                Samples.REPORT.replace("\"key\": \"region\"", "\"key\": \"regoin\""),
                                new Answers(Map.of("period", "soon", "perod", "x")))
                        .lines())
                .anyMatch(line -> line.startsWith("/blocks/0/levels/0/key: 1:1 unknown field \"regoin\""))
                .anyMatch(line -> line.startsWith("/answers/period: \"soon\" is not a period"))
                .anyMatch(line -> line.startsWith("/answers/perod: the report asks no \"perod\""));
    }

    @Test
    void anEmptyDocumentIsToldAllThatIsMissing() {
        assertThat(faults("{}", Answers.NONE).lines())
                .contains("property \"blocks\" is missing", "property \"title\" is missing")
                .hasSizeGreaterThan(7);
        assertThat(faults("{\"blocks\": [7], \"page\": \"A4\", \"filters\": {}}", Answers.NONE))
                .contains("/blocks/0: found 7, expected an object")
                .contains("/filters: found an object, expected a list");
    }

    @Test
    void aZoneIsAKnownOne() {
        assertThat(faults(
                        Samples.REPORT.replace("\"locale\"", "\"zone\": \"Europe/Berlim\", \"locale\""), Answers.NONE))
                .isEqualTo("/zone: unknown time zone \"Europe/Berlim\", expected an IANA name such as Europe/Berlin;"
                        + " did you mean \"Europe/Berlin\"?");
    }

    @Test
    void aTextWithoutQuotesIsTakenForAFieldAndSaid() {
        String filter = "\"filters\": [{\"id\": \"f\", \"kind\": \"expression\", \"where\": \"%s\"}, ";
        assertThat(faults(
                        Samples.REPORT.replace("\"filters\": [", filter.formatted("region = Lakeside")), Answers.NONE))
                .contains("unknown field \"Lakeside\"; a text is written in single quotes: 'Lakeside'");
        assertThat(faults(
                        Samples.REPORT.replace("\"filters\": [", filter.formatted("region IN ('Coast', Upland)")),
                        Answers.NONE))
                .contains("a text is written in single quotes: 'Upland'");
    }

    @Test
    void aTotalOfSomethingElseThanItsColumnShowsIsPointedOut() {
        String twice = Samples.REPORT.replace("\"value\": \"net\"", "\"value\": \"net * 2\"");
        assertThat(notices(twice))
                .filteredOn(problem -> problem.severity() == Problem.Severity.ADVICE)
                .extracting(Problem::message)
                .containsExactly("the column \"Net\" shows net * 2, and this total below it is of something else");
        assertThat(notices(twice.replace("SUM(net)", "SUM(net * 2)")))
                .filteredOn(problem -> problem.severity() == Problem.Severity.ADVICE)
                .isEmpty();
    }

    @Test
    void aColumnsFormatIsItsTotalsToo() {
        String alone = Samples.REPORT.replace(
                "\"label\": \"Freight\", \"value\": \"freight\"", "\"label\": \"Freight\", \"format\": \"0.0 'kg'\"");
        assertThat(plan(alone).totals().get(1).format()).isEqualTo("0.0 'kg'");
        String shown = Samples.REPORT.replace("\"value\": \"net\"", "\"value\": \"net\", \"format\": \"0.000\"");
        assertThat(plan(shown).totals().getFirst().format()).isEqualTo("0.000");
        assertThat(plan(shown.replace("SUM(net)\", \"cells", "COUNT(net)\", \"cells"))
                        .totals()
                        .getFirst()
                        .format())
                .isEqualTo("#,##0");
        assertThat(plan(shown.replace("SUM(net)\", \"cells", "SUM(net)\", \"format\": \"0\", \"cells"))
                        .totals()
                        .getFirst()
                        .format())
                .as("a total's own comes first")
                .isEqualTo("0");
    }

    @Test
    void aFilterIsCheckedWhateverWasAnswered() {
        assertThatThrownBy(() -> plan(Samples.REPORT.replace("ordered_at\", \"prompt", "net\", \"prompt")))
                .hasMessageContaining("/filters/0/field: found a date, expected a decimal number to compare with");
    }

    @Test
    void anOpenPeriodLeavesNoFilter() {
        assertThat(plan(Samples.REPORT).filters()).isEmpty();
        TablePlan half = Planner.plan(
                        Samples.report(),
                        Samples.dataset(),
                        new Answers(Map.of("period", "2026-01-01/..")),
                        Samples.CONTEXT)
                .table();
        assertThat(half.filters()).hasSize(1);
    }

    @Test
    void onlyNeededFieldsAreRead() {
        assertThat(plan(Samples.REPORT).fields())
                .containsExactly("freight", "net", "order_number", "ordered_at", "region");
    }

    @Test
    void summingAPriceIsAdvisedAgainst() {
        assertThat(notices(Samples.REPORT.replace("\"value\": \"SUM(freight)\"", "\"value\": \"SUM(price)\"")))
                .extracting(Object::toString)
                .containsExactly(
                        "/blocks/0/totals/1/value: \"Price\" does not add up; an average or a count may be meant");
    }

    @Test
    void twoTotalsInOneCellAreAFault() {
        assertThatThrownBy(() -> plan(Samples.REPORT.replace("\"column\": \"c-freight\"", "\"column\": \"c-net\"")))
                .hasMessageContaining("/blocks/0/totals/1/cells: stands in a cell that \"t-net\" has already");
    }

    @Test
    void onlyDatesHaveBuckets() {
        assertThatThrownBy(() -> plan(
                        Samples.REPORT.replace("\"key\": \"region\"", "\"key\": \"region\", \"bucket\": \"month\"")))
                .hasMessage(
                        "/blocks/0/levels/0/bucket: the key \"region\" is a text; only a date or timestamp has buckets");
    }

    @Test
    void aPatternThatCldrDoesNotKnowIsAFault() {
        assertThatThrownBy(() -> plan(
                        Samples.REPORT.replace("\"value\": \"net\"}", "\"value\": \"net\", \"format\": \"0.0.0\"}")))
                .hasMessageContaining("/blocks/0/columns/0/format: found \"0.0.0\", expected a CLDR pattern");
    }

    private static String top(String id) {
        return "{\"id\": \"%s\", \"kind\": \"top\", \"field\": \"net\", \"end\": \"largest\", \"count\": 2}"
                .formatted(id);
    }

    @Test
    void twoFiltersThatKeepTheFirstRowsOfABlockAreAFault() {
        String two = Samples.REPORT.replace("\"filters\": [", "\"filters\": [" + top("a") + "," + top("b") + ",");
        assertThatThrownBy(() -> plan(two)).hasMessageContaining("/filters/1").hasMessageContaining("filter \"a\"");
        String own = Samples.REPORT
                .replace("\"filters\": [", "\"filters\": [" + top("a") + ",")
                .replace("\"kind\": \"banded\",", "\"kind\": \"banded\", \"filters\": [" + top("b") + "],");
        assertThatThrownBy(() -> plan(own)).hasMessageContaining("/blocks/0/filters/0");
        plan(own.replace("\"count\": 2}],", "\"count\": 2, \"off\": true}],"));
    }

    @Test
    void listedChoicesThatCannotHaveTheFieldsTypeAreAFaultBeforeAnythingIsAnswered() {
        String prompt = "\"prompts\": [{\"id\": \"p-size\", \"name\": \"size\", \"type\": \"%s\", \"label\": \"Size\","
                + " \"listed\": [{\"value\": \"%s\", \"label\": \"Small\"}, {\"value\": \"20\", \"label\": \"Large\"}]},";
        String built = "\"filters\": [{\"id\": \"f-size\", \"kind\": \"condition\", \"field\": \"net\","
                + " \"comparison\": \"is\", \"prompt\": \"size\"},";
        String typed = "\"filters\": [{\"id\": \"f-size\", \"kind\": \"expression\", \"where\": \"net IN (:size)\"},";
        for (String type : List.of("choice", "choices")) {
            for (String filter : List.of(built, typed)) {
                String report = Samples.REPORT.replace("\"filters\": [", filter);
                assertThatThrownBy(() -> plan(report.replace("\"prompts\": [", prompt.formatted(type, "small"))))
                        .hasMessageContaining("/filters/0")
                        .hasMessageContaining("found a text, expected a decimal number");
                plan(report.replace("\"prompts\": [", prompt.formatted(type, "10")));
            }
        }
    }

    @Test
    void boundsOfClassesAndGroupsAreNumbersOfAtMost38Digits() {
        for (String bound : List.of("5\\n", "9".repeat(40), "0.1234567890123456789")) {
            String classes = Samples.REPORT.replace(
                    "\"key\": \"region\"", "\"key\": \"net\", \"classes\": [{\"upTo\": \"" + bound + "\"}, {}]");
            assertThatThrownBy(() -> plan(classes)).hasMessageContaining("/classes/0/upTo");
        }
    }
}
