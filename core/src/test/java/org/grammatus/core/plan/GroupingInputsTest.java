package org.grammatus.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import java.util.stream.Stream;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What groups depend on: nothing of how they are printed, and everything else. */
class GroupingInputsTest {

    private static TablePlan table(String json) {
        return Planner.plan(Definitions.readReport(json), Samples.dataset(), Answers.NONE, Samples.CONTEXT)
                .table();
    }

    private static final TablePlan PLAN = table(Samples.REPORT);

    static Stream<Arguments> printed() {
        return Stream.of(
                Arguments.of("\"title\": \"Orders\"", "\"title\": \"Others\""),
                Arguments.of("\"label\": \"Net\",", "\"label\": \"Net sales\","),
                Arguments.of("\"value\": \"net\"}", "\"value\": \"net\", \"format\": \"0\", \"width\": 90}"),
                Arguments.of(
                        "\"value\": \"net\"}", "\"value\": \"net\", \"unit\": \"thousands\", \"align\": \"start\"}"),
                Arguments.of("\"value\": \"SUM(net)\",", "\"value\": \"SUM(net)\", \"format\": \"#,##0\","),
                Arguments.of("\"name\": \"Region\",", "\"name\": \"Region\", \"newPage\": true,"),
                Arguments.of("\"orientation\": \"portrait\"", "\"orientation\": \"landscape\""),
                Arguments.of(
                        "\"id\": \"main\", \"kind\": \"banded\"",
                        "\"id\": \"main\", \"kind\": \"table\", \"title\": \"T\""));
    }

    @ParameterizedTest
    @MethodSource("printed")
    void howThingsArePrintedIsNoneOfThem(String before, String after) {
        TablePlan other = table(Samples.REPORT.replace(before, after));
        assertThat(other).isNotEqualTo(PLAN);
        assertThat(GroupingInputs.of(other)).isEqualTo(GroupingInputs.of(PLAN));
    }

    static Stream<Arguments> meant() {
        return Stream.of(
                Arguments.of("\"by\": \"SUM(net)\"", "\"by\": \"MAX(net)\""),
                Arguments.of("\"direction\": \"descending\"", "\"direction\": \"ascending\""),
                Arguments.of("\"key\": \"region\"", "\"key\": \"category\""),
                Arguments.of("\"value\": \"SUM(net)\"", "\"value\": \"SUM(net) + 1\""),
                Arguments.of("\"shown\": true", "\"shown\": false"),
                Arguments.of("\"shown\": true,", "\"shown\": true, \"limit\": 2,"),
                Arguments.of("\"counts\": [\"orders\", \"lines\"]", "\"counts\": [\"lines\"]"),
                Arguments.of("\"locale\": \"en-GB\"", "\"locale\": \"sv-SE\""),
                Arguments.of(
                        "\"highlights\": []",
                        "\"highlights\": [{\"id\": \"h\", \"label\": \"H\", \"when\": \"net > 1\", \"look\": \"note\"}]"),
                Arguments.of("\"highlights\": []", "\"highlights\": [], \"totalsCover\": \"everything\""),
                Arguments.of("\"highlights\": []", "\"highlights\": [], \"rounding\": \"each-line\""));
    }

    @ParameterizedTest
    @MethodSource("meant")
    void whatChangesGroupsIs(String before, String after) {
        String changed = Samples.REPORT.replace(before, after);
        assertThat(changed).isNotEqualTo(Samples.REPORT);
        assertThat(GroupingInputs.of(table(changed))).isNotEqualTo(GroupingInputs.of(PLAN));
    }

    @Test
    void wherePrintedFiguresAreAddedTheirFormatIsOne() {
        String rounded =
                Samples.REPORT.replace("\"highlights\": []", "\"highlights\": [], \"rounding\": \"each-line\"");
        String rougher = rounded.replace("\"value\": \"SUM(net)\",", "\"value\": \"SUM(net)\", \"format\": \"0\",");
        assertThat(GroupingInputs.of(table(rougher))).isNotEqualTo(GroupingInputs.of(table(rounded)));
    }

    @Test
    void answersBusinessDateAndZoneAre() {
        Plan asked = Planner.plan(
                Samples.report(), Samples.dataset(), new Answers(Map.of("period", "2026-01-01/..")), Samples.CONTEXT);
        assertThat(GroupingInputs.of(asked.table())).isNotEqualTo(GroupingInputs.of(PLAN));
        for (RunContext context : new RunContext[] {
            new RunContext(LocalDate.of(2020, 1, 1), Samples.CONTEXT.zone()),
            new RunContext(Samples.CONTEXT.businessDate(), ZoneId.of("Asia/Tokyo"))
        }) {
            Plan other = Planner.plan(Samples.report(), Samples.dataset(), Answers.NONE, context);
            assertThat(GroupingInputs.of(other.table())).isNotEqualTo(GroupingInputs.of(PLAN));
        }
    }

    @Test
    void factsAreTheSameUnderAnotherLook() {
        Samples rows = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "10.00")
                .line("S1", "Jars", "2.00");
        TablePlan other =
                table(Samples.REPORT.replace("\"label\": \"Net\",", "\"label\": \"Net\", \"format\": \"0.000\","));
        TableResult again = rows.grouped(PLAN).printedBy(other);
        assertThat(TreeText.of(again)).isEqualTo(TreeText.of(rows.grouped(other)));
        assertThat(again.groups()).isNotNull().isSameAs(again.printedBy(PLAN).groups());
    }
}
