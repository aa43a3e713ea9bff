package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.ReaderView.Only;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Which blocks a filter and a reader's narrowing reach, and what the blocks say of it. */
@Meaning(31)
class ReachTest {

    private static final String PAGE = """
            "page": {"paper": "A4", "orientation": "portrait",
                     "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    private static final DatasetModel LINES = Samples.dataset();

    /** Another dataset, whose region need not mean the same. */
    private static final DatasetModel OTHERS = DatasetModel.of(Definitions.readDataset(Samples.DATASET
            .replace("\"id\": \"lines\", \"label\"", "\"id\": \"others\", \"label\"")
            .replace("\"table\": \"line\"", "\"table\": \"other_line\"")
            .replace("\"id\": \"ordered_at\"", "\"id\": \"bought_at\"")));

    /** One that has all that the lines have, and a field more. */
    private static final DatasetModel BUILT = DatasetModel.of(Definitions.readDataset(Samples.DATASET
            .replace("\"id\": \"lines\", \"label\"", "\"id\": \"built\", \"label\"")
            .replace("\"fields\": [", """
                            "fields": [{"id": "more", "table": "lines", "column": "more", "label": "More",
                              "type": "text", "role": "descriptive"},""")));

    private static final ReportDatasets DATASETS = new ReportDatasets(LINES, Map.of("others", OTHERS, "built", BUILT));

    private static String table(String id, String more) {
        return """
                {"id": "%1$s", "kind": "table"%2$s,
                 "levels": [{"id": "%1$s-l", "name": "Region", "key": "region", "order": [],
                   "header": "line", "footer": "none"}],
                 "columns": [{"id": "%1$s-c", "label": "Net"}],
                 "totals": [{"id": "%1$s-t", "column": "%1$s-c", "value": "SUM(net)",
                   "cells": [{"at": "report", "in": "footer"}]}],
                 "counts": [], "highlights": [], "rows": {"shown": false, "order": []}}""".formatted(id, more);
    }

    private static Plan plan(String filters, String... blocks) {
        String json = """
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "lines",
                 "locale": "en-GB",
                 "prompts": [{"id": "p", "name": "period", "type": "period", "label": "Days", "default": "2026-01-01/2026-12-31"}],
                 "filters": [%s], "blocks": [%s],
                """.formatted(filters, String.join(",", blocks)) + PAGE;
        return Planner.plan(Definitions.readReport(json), DATASETS, Answers.NONE, Samples.CONTEXT);
    }

    private static List<String> filters(Plan plan, String block) {
        return plan.facts(block).filters().stream().map(FilterPlan::id).toList();
    }

    private static final String PERIOD =
            "{\"id\": \"days\", \"kind\": \"period\", \"field\": \"ordered_at\", \"prompt\": \"period\"%s}";
    private static final String REGION =
            "{\"id\": \"where\", \"kind\": \"condition\", \"field\": \"region\", \"comparison\": \"is\", \"values\": [\"Coast\"]%s}";

    @Test
    void aFilterOfTheReportReachesItsDatasetAndWhatIsBuiltOnItAndNoOther() {
        Plan plan = plan(
                PERIOD.formatted("") + "," + REGION.formatted(""),
                table("a", ""),
                table("b", ", \"dataset\": \"built\""),
                table("c", ", \"dataset\": \"others\""));
        assertThat(filters(plan, "a")).containsExactly("days", "where");
        assertThat(filters(plan, "b")).containsExactly("days", "where");
        assertThat(filters(plan, "c")).as("the other dataset has a region, too").isEmpty();
        assertThat(plan.facts("a").reach()).isEmpty();
        assertThat(plan.facts("c").reach())
                .containsExactly("Not narrowed by Ordered in the period “Days” · Region is Coast");
        assertThat(plan.datasets()).containsExactly(LINES, BUILT, OTHERS);
    }

    @Test
    void itReachesAnotherDatasetWhereItNamesAFieldThere() {
        Plan plan = plan(
                PERIOD.formatted(", \"also\": [{\"dataset\": \"others\", \"field\": \"bought_at\"}]"),
                table("a", ""),
                table("c", ", \"dataset\": \"others\""));
        assertThat(filters(plan, "c")).containsExactly("days");
        assertThat(plan.facts("c").fields()).contains("bought_at").doesNotContain("ordered_at");
        assertThat(plan.facts("c").reach()).isEmpty();
    }

    @Test
    void oneThatNamesBlocksReachesThoseAloneAndTheySaySo() {
        Plan plan = plan(REGION.formatted(", \"blocks\": [\"b\"]"), table("a", ""), table("b", ""));
        assertThat(filters(plan, "a")).isEmpty();
        assertThat(plan.facts("a").reach()).as("it was never meant for it").isEmpty();
        assertThat(filters(plan, "b")).containsExactly("where");
        assertThat(plan.facts("b").reach()).containsExactly("Only Region is Coast");
    }

    @Test
    void aReachWithoutTheFieldIsAFaultAndABlockThatIsOffIsNone() {
        String days = PERIOD.formatted(", \"blocks\": [\"c\"]");
        assertThatThrownBy(() -> plan(days, table("a", ""), table("c", ", \"dataset\": \"others\"")))
                .hasMessageContaining("/filters/0/field: unknown field \"ordered_at\"");
        Plan off = plan(days, table("a", ""), table("c", ", \"dataset\": \"others\", \"off\": true"));
        assertThat(filters(off, "a")).isEmpty();
    }

    @Test
    void whatIsNotThereIsToldInItsPlace() {
        assertThatThrownBy(() -> plan("", table("a", ", \"dataset\": \"gone\"")))
                .hasMessageContaining("/blocks/0/dataset: unknown dataset \"gone\"");
        assertThatThrownBy(() -> plan(REGION.formatted(", \"blocks\": [\"z\"]"), table("a", "")))
                .hasMessageContaining("/filters/0/blocks/0: unknown block \"z\"");
        assertThatThrownBy(() -> plan(
                        PERIOD.formatted(", \"also\": [{\"dataset\": \"gone\", \"field\": \"x\"}]"), table("a", "")))
                .hasMessageContaining("/filters/0/also/0/dataset: unknown dataset \"gone\"");
        String own = ", \"filters\": [" + REGION.formatted(", \"blocks\": [\"a\"]") + "]";
        assertThatThrownBy(() -> plan("", table("a", own)))
                .hasMessageContaining("/blocks/0/filters/0/blocks: a block's own filter reaches that block alone");
    }

    private static ReaderView only(Only... only) {
        return new ReaderView(List.of(), List.of(only), List.of());
    }

    @Test
    void aReaderNarrowsOneBlockOrEveryBlockOfItsDataset() {
        Plan plan = plan("", table("a", ""), table("b", ""), table("c", ", \"dataset\": \"others\""));
        Plan one = only(new Only("a-l", Optional.of("Coast"))).applied(plan);
        assertThat(filters(one, "a")).hasSize(1);
        assertThat(filters(one, "b")).isEmpty();
        Plan all = only(new Only("a-l", Optional.of("Coast"), false, true)).applied(plan);
        assertThat(filters(all, "a")).hasSize(1);
        assertThat(filters(all, "b")).hasSize(1);
        assertThat(filters(all, "c")).isEmpty();
        assertThat(all.facts("b").reach()).containsExactly("Only Region Coast");
    }

    @Test
    void allButAGroupKeepsRowsWithoutAKey() {
        Samples samples = new Samples()
                .order("S1", "2026-01-05T10:00", "Coast", null)
                .order("S2", "2026-01-05T10:00", "Upland", null)
                .order("S3", "2026-01-05T10:00", null, null)
                .line("S1", "Hives", "1.00")
                .line("S2", "Hives", "10.00")
                .line("S3", "Hives", "100.00");
        Plan plan = plan("", table("a", ""));
        assertThat(rows(
                        samples,
                        only(new Only("a-l", Optional.of("Coast"), true, false)).applied(plan)))
                .isEqualTo(2);
        assertThat(rows(
                        samples,
                        only(new Only("a-l", Optional.empty(), true, true)).applied(plan)))
                .isEqualTo(2);
        assertThat(rows(samples, only(new Only("a-l", Optional.empty())).applied(plan)))
                .isEqualTo(1);
    }

    private static int rows(Samples samples, Plan plan) {
        return samples.grouped(plan.facts("a")).rowsKept();
    }
}
