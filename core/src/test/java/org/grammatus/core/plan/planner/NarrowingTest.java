package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.planner.ReaderView.Narrow;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 42: a reader narrows a report by the fields that it prints, as if a filter of its author asked. */
@Meaning(42)
class NarrowingTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "9.00")
            .order("S2", "2026-03-31T00:00", "Upland, high", "7.50")
            .order("S3", "2026-03-31T23:59:59.999", "Upland, high", "1.00")
            .order("S4", null, null, "2.00")
            .line("S1", "Hives", "10.00")
            .line("S2", "Hives", "20.00")
            .line("S3", "Jars", "25.00")
            .line("S4", "Jars", null);

    private static final Report WITH_DAY = Definitions.readReport(Samples.REPORT.replace(
            "{\"id\": \"c-net\",",
            "{\"id\": \"c-day\", \"label\": \"Day\", \"value\": \"ordered_at\"}, {\"id\": \"c-net\","));

    private static Plan plan(Report report, Narrow... narrow) {
        ReaderView view =
                new ReaderView(List.of(), List.of(), List.of(narrow), List.of(), List.of(), Optional.empty(), false);
        return view.applied(Planner.plan(report, Samples.dataset(), Answers.NONE, Samples.CONTEXT));
    }

    private static Narrow to(String field, String values) {
        return new Narrow(Optional.empty(), field, values);
    }

    private static List<String> orders(Plan plan) {
        TableResult grouped = ROWS.grouped(plan.table());
        BandTexts printed = new BandTexts(grouped);
        List<String> orders = new ArrayList<>();
        for (int place = 1; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            if (grouped.tree().depthOf(node) == 2) {
                orders.add(printed.label(node));
            }
        }
        return orders.stream().sorted().toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "region | Lakeside | S1",
                "region | Lakeside, (none) | S1 S4",
                "region | \"Upland, high\" | S2 S3",
                "region | all but Lakeside | S2 S3 S4",
                "region | all but Lakeside, (none) | S2 S3",
                "region | Nowhere | ''",
                "region | '' | S1 S2 S3 S4",
                "net | 10..20 | S1 S2",
                "net | 20.. | S2 S3",
                "net | ..9 | ''",
                "net | .. | S1 S2 S3 S4",
                "ordered_at | 2026-03-31/2026-03-31 | S2 S3",
                "ordered_at | ../2026-03-30 | S1",
                "ordered_at | 31 March 2026 | S2 S3",
                "ordered_at | all | S1 S2 S3 S4"
            })
    void rowsAreNarrowedToValuesARangeOrDays(String field, String values, String orders) {
        assertThat(String.join(" ", orders(plan(WITH_DAY, to(field, values))))).isEqualTo(orders);
    }

    @Test
    void severalHoldTogetherAndStandOnThePageInWords() {
        Plan plan = plan(WITH_DAY, to("region", "\"Upland, high\""), to("net", "21.."));
        assertThat(orders(plan)).containsExactly("S3");
        assertThat(plan.table().reach()).containsExactly("Only Region: Upland, high", "Only Net: from 21");
    }

    @Test
    void whatIsNotPrintedIsNoWayToNarrow() {
        assertThatThrownBy(() -> plan(Samples.report(), to("category", "Hives")))
                .hasMessageContaining(
                        "\"Category\" is not printed here, so that nothing is narrowed by it; choose one of: Region, Order, Net, Freight");
        assertThatThrownBy(() -> plan(Samples.report(), to("nowhere", "Hives"))).hasMessageContaining("\"nowhere\"");
        assertThatThrownBy(() -> plan(Samples.report(), to("net", "ten.."))).hasMessageContaining("ten");
        assertThatThrownBy(() -> plan(Samples.report(), new Narrow(Optional.of("side"), "region", "Lakeside")))
                .hasMessageContaining("the report has no table \"side\"");
    }

    @Test
    void whatItsAuthorSetBesideItMayBeTickedAlthoughItIsNotPrinted() {
        Report beside = Definitions.readReport(
                Samples.REPORT.replace("\"locale\": \"en-GB\",", "\"locale\": \"en-GB\", \"beside\": [\"category\"],"));
        assertThat(orders(plan(beside, to("category", "Jars")))).containsExactly("S3", "S4");
        TablePlan table = plan(beside).table();
        assertThat(PrintedField.of(table).getFirst())
                .isEqualTo(new PrintedField("category", "Category", PromptType.CHOICES, List.of(), true));
        assertThat(PrintedField.of(table).get(1))
                .isEqualTo(new PrintedField("region", "Region", PromptType.CHOICES, List.of("region"), false));
        Report wrong = Definitions.readReport(
                Samples.REPORT.replace("\"locale\": \"en-GB\",", "\"locale\": \"en-GB\", \"beside\": [\"categori\"],"));
        assertThatThrownBy(() -> plan(wrong)).hasMessageContaining("unknown field \"categori\"");
    }

    @Test
    void anAnswerOfTheReportOfTheSameNameIsNotMeant() {
        Report asking = Definitions.readReport(Samples.REPORT
                .replace("\"name\": \"period\"", "\"name\": \"wanted\"")
                .replace("\"prompt\": \"period\"", "\"prompt\": \"wanted\""));
        assertThat(orders(plan(asking, to("region", "Lakeside")))).containsExactly("S1");
    }
}
