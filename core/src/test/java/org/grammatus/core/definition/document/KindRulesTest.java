package org.grammatus.core.definition.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.problem.Problem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What a kind of filter, prompt or comparison needs, and what says nothing there, is told at its place; the rest is read all the same. */
class KindRulesTest {

    private static final String PERIOD = "\"kind\": \"period\", \"field\": \"ordered_at\", \"prompt\": \"period\"";

    private static Checked<Report> filter(String properties) {
        return Definitions.checkReport(Samples.REPORT.replace(PERIOD, properties));
    }

    static Stream<Arguments> wrongFilters() {
        return Stream.of(
                Arguments.of(
                        "\"kind\": \"period\", \"prompt\": \"period\"",
                        "/filters/0",
                        "property \"field\" is missing: a period filter needs it"),
                Arguments.of(
                        "\"kind\": \"period\", \"field\": \"ordered_at\"",
                        "/filters/0",
                        "property \"prompt\" is missing: a period filter needs it"),
                Arguments.of(
                        PERIOD + ", \"where\": \"TRUE\"",
                        "/filters/0/where",
                        "a period filter has no \"where\"; remove this property"),
                Arguments.of(
                        "\"kind\": \"condition\", \"field\": \"net\"",
                        "/filters/0",
                        "property \"comparison\" is missing: a condition needs it"),
                Arguments.of(
                        "\"kind\": \"condition\", \"field\": \"net\", \"comparison\": \"blank\", \"where\": \"TRUE\"",
                        "/filters/0/where",
                        "a condition has no \"where\"; remove this property"),
                Arguments.of(
                        "\"kind\": \"expression\"",
                        "/filters/0",
                        "property \"where\" is missing: an expression filter needs it"),
                Arguments.of(
                        "\"kind\": \"expression\", \"where\": \"TRUE\", \"field\": \"net\"",
                        "/filters/0/field",
                        "an expression filter has no \"field\"; remove this property"),
                Arguments.of(
                        "\"kind\": \"any\", \"filters\": [{\"id\": \"inside\", \"kind\": \"top\", \"field\": \"net\", \"end\": \"largest\"}]",
                        "/filters/0/filters/0",
                        "property \"count\" is missing: a filter of the first rows needs it"),
                Arguments.of(
                        "\"kind\": \"has\", \"keys\": [{\"field\": \"a\", \"of\": \"region\"}], \"dataset\": \"lines\", \"where\": \"TRUE\"",
                        "/filters/0/where",
                        "a filter by another dataset has no \"where\"; remove this property"));
    }

    @ParameterizedTest
    @MethodSource("wrongFilters")
    void aWrongFilterIsToldAtItsPlaceAndTheRestIsRead(String properties, String pointer, String message) {
        Checked<Report> checked = filter(properties);
        assertThat(checked.faults())
                .extracting(Problem::pointer, Problem::message)
                .containsExactly(org.assertj.core.groups.Tuple.tuple(pointer, message));
        Report read = checked.document().orElseThrow();
        assertThat(read.filters()).hasSize(1);
        assertThat(read.blocks()).isEqualTo(Samples.report().blocks());
    }

    @Test
    void aChoiceNeedsSomethingToChooseFromAndAPeriodHasNoField() {
        String asked = "\"type\": \"period\", \"label\": \"Ordered\"";
        Checked<Report> withField =
                Definitions.checkReport(Samples.REPORT.replace(asked, asked + ", \"field\": \"region\""));
        assertThat(withField.faults())
                .extracting(Problem::message)
                .containsExactly("only a choice or a day has a field; remove this property");
        Checked<Report> without =
                Definitions.checkReport(Samples.REPORT.replace(asked, "\"type\": \"choice\", \"label\": \"Ordered\""));
        assertThat(without.faults())
                .extracting(Problem::message)
                .contains("offers nothing to choose from; add \"field\" or \"listed\"");
    }

    @Test
    void aComparisonIsWithAPlanOrWithATime() {
        for (List<String> wrong : List.of(
                List.of("\"with\": \"plan\"", "property \"plan\" is missing: a comparison with a plan needs it"),
                List.of(
                        "\"with\": \"plan\", \"plan\": \"SUM(net)\", \"date\": \"ordered_at\"",
                        "a plan is of the same time; remove this property"),
                List.of(
                        "\"with\": \"last-year\"",
                        "property \"date\" is missing: a comparison with another time needs it"),
                List.of(
                        "\"with\": \"previous-period\", \"date\": \"ordered_at\", \"plan\": \"SUM(net)\"",
                        "a comparison with another time has no plan; remove this property"))) {
            String json = Samples.REPORT.replace(
                    "\"value\": \"SUM(freight)\"",
                    "\"value\": \"SUM(freight)\", \"compare\": {%s, \"shown\": \"figure\"}"
                            .formatted(wrong.getFirst()));
            assertThat(Definitions.checkReport(json).faults())
                    .extracting(Problem::message)
                    .containsExactly(wrong.getLast());
        }
    }

    @Test
    void whatIsReadIsOfItsKind() {
        Report report = Samples.report();
        assertThat(report.filters().getFirst()).isInstanceOf(ReportFilter.OfPeriod.class);
        assertThat(report.prompts().getFirst()).isInstanceOf(ReportPrompt.OfPeriod.class);
        assertThat(Definitions.readReport(Definitions.write(report))).isEqualTo(report);
    }
}
