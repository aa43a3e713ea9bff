package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** What is asked may also choose: which columns, levels and blocks appear, and what is grouped by. */
@Meaning(34)
class AppearingPartsTest {

    private static final String REPORT = """
            {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "lines", "locale": "en-GB",
             "prompts": [
               {"id": "p1", "name": "prices", "type": "yes-no", "label": "With prices", "default": "yes"},
               {"id": "p2", "name": "by", "type": "choice", "label": "By", "default": "region",
                "listed": [{"value": "region", "label": "Region"}, {"value": "category", "label": "Category"}]}],
             "filters": [],
             "blocks": [
               {"id": "a", "kind": "table", "levels": [
                  {"id": "l1", "name": "Group", "key": "CASE :by WHEN 'region' THEN region ELSE category END",
                   "order": [], "header": "line", "footer": "none"},
                  {"id": "l2", "name": "Category", "key": "category", "appears": ":by <> 'category'",
                   "order": [], "header": "line", "footer": "none"}],
                "columns": [{"id": "c1", "label": "Order", "value": "order_number"},
                            {"id": "c2", "label": "Net", "value": "net", "appears": "PRICES"}],
                "totals": [{"id": "t", "column": "c2", "value": "SUM(net)", "cells": [{"at": "report", "in": "footer"}]}],
                "counts": [], "highlights": [], "rows": {"shown": true, "order": []}},
               {"id": "b", "kind": "figures", "appears": ":prices",
                "figures": [{"id": "f", "label": "Net", "value": "SUM(net)"}]}],
             "page": {"paper": "A4", "orientation": "portrait",
               "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """.replace("PRICES", ":prices");

    private static Plan plan(String json, Map<String, String> answers) {
        Report report = Definitions.readReport(json);
        return Planner.plan(report, ReportDatasets.of(Samples.dataset()), new Answers(answers), Samples.CONTEXT);
    }

    private static List<String> columns(Plan plan) {
        return plan.facts("a").columns().stream().map(ColumnPlan::id).toList();
    }

    private static List<String> levels(Plan plan) {
        return plan.facts("a").levels().stream().map(LevelPlan::id).toList();
    }

    @Test
    void aPartAppearsOnlyWhereItsConditionIsTrue() {
        Plan with = plan(REPORT, Map.of());
        assertThat(columns(with)).containsExactly("c1", "c2");
        assertThat(with.blocks()).hasSize(2);
        Plan without = plan(REPORT, Map.of("prices", "no"));
        assertThat(columns(without)).containsExactly("c1");
        assertThat(without.blocks()).hasSize(1);
        assertThat(columns(plan(REPORT, Map.of("prices", "")))).containsExactly("c1");
    }

    @Test
    void whatIsGroupedByIsChosen() {
        assertThat(levels(plan(REPORT, Map.of()))).containsExactly("l1", "l2");
        TablePlan byCategory = plan(REPORT, Map.of("by", "category")).facts("a");
        assertThat(byCategory.levels()).extracting(LevelPlan::id).containsExactly("l1");
    }

    @Test
    void twoAnswersMakeTwoPlans() {
        assertThat(plan(REPORT, Map.of()).inputs().report().fingerprint())
                .isNotEqualTo(
                        plan(REPORT, Map.of("prices", "no")).inputs().report().fingerprint());
    }

    @Test
    void whereNothingAppearsItIsSaid() {
        String alone = REPORT.replace("\"kind\": \"table\",", "\"kind\": \"table\", \"appears\": \":prices\",");
        assertThatThrownBy(() -> plan(alone, Map.of("prices", "no")))
                .isInstanceOfSatisfying(
                        ProblemException.class,
                        e -> assertThat(e.problems())
                                .extracting(Problem::pointer)
                                .containsExactly("/answers"));
    }

    @Test
    void aWrongConditionIsToldWhereItStands() {
        assertThatThrownBy(() -> plan(REPORT.replace(":by <> 'category'", ":buy <> 1"), Map.of()))
                .isInstanceOfSatisfying(
                        ProblemException.class,
                        e -> assertThat(e.problems()).singleElement().satisfies(problem -> {
                            assertThat(problem.pointer()).isEqualTo("/blocks/0/levels/1/appears");
                            assertThat(problem.message()).contains("did you mean \"by\"");
                        }));
    }
}
