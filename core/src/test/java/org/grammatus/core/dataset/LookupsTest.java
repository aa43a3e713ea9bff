package org.grammatus.core.dataset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Meaning 29: of a key its name is shown and put in order; rows are grouped, filtered and chosen by the key. */
@Meaning(29)
class LookupsTest {

    /** Orders by number; what people call them stands in the region, which two of them share. */
    private static final Samples ROWS = new Samples()
            .order("3", "2026-01-05T10:00", "Fernhollow", "1.00")
            .order("1", "2026-01-05T10:00", "Alder", "1.00")
            .order("2", "2026-01-05T10:00", "Fernhollow", "1.00")
            .order("4", "2026-01-05T10:00", null, "1.00")
            .line("1", "Hives", "5.00")
            .line("2", "Hives", "1.00")
            .line("3", "Jars", "2.00")
            .line("3", "Jars", "4.00")
            .line("4", "Jars", "8.00");

    private static DatasetModel dataset(String lookup) {
        return DatasetModel.of(Definitions.readDataset(Samples.DATASET.replace(
                "\"role\": \"identifier\"}", "\"role\": \"identifier\", \"lookup\": \"" + lookup + "\"}")));
    }

    private static Report report(String columns, String filters, String prompts) {
        return report(columns, filters, prompts, "");
    }

    private static Report report(String columns, String filters, String prompts, String label) {
        return Definitions.readReport("""
                {"format": "grammatus-report", "version": 1, "id": "orders", "title": "Orders", "dataset": "lines",
                 "locale": "en-GB", "prompts": [%s], "filters": [%s],
                 "blocks": [{"id": "main", "kind": "banded",
                   "levels": [{"id": "order", "name": "Order", "key": "order_number"%s, "order": [],
                     "header": "heading", "footer": "totals"}],
                   "columns": [%s],
                   "totals": [{"id": "t", "column": "c", "value": "SUM(net)", "cells": [{"at": "order", "in": "footer"}]}],
                   "counts": [], "highlights": [],
                   "rows": {"shown": true, "order": [{"id": "o", "by": "order_number", "direction": "descending"}]}}],
                 "page": {"paper": "A4", "orientation": "portrait",
                          "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(prompts, filters, label, columns));
    }

    private static final String NUMBER = "{\"id\": \"c\", \"label\": \"Order\", \"value\": \"order_number\"}";

    private static List<String> groups(TableResult grouped) {
        BandTexts printed = new BandTexts(grouped);
        List<String> lines = new ArrayList<>();
        for (int place = 1; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            lines.add(printed.label(node) + " " + printed.total(0, node));
        }
        return lines;
    }

    @Test
    void aTextBesideANumberThatIsAKeyIsRefusedWithTheNameItIsMeantFor() {
        DatasetModel numbered = DatasetModel.of(Definitions.readDataset(Samples.DATASET
                .replace("\"label\": \"Order\", \"type\": \"text\"", "\"label\": \"Order\", \"type\": \"integer\"")
                .replace("\"role\": \"identifier\"}", "\"role\": \"identifier\", \"lookup\": \"region\"}")));
        String filter = "{\"id\": \"f\", \"kind\": \"expression\", \"where\": \"order_number = 'Keeper''s'\"}";
        Report report = report(NUMBER, filter, "");
        assertThatThrownBy(() -> Planner.plan(report, numbered, Answers.NONE, Samples.CONTEXT))
                .hasMessageContaining("/filters/0/where: 1:16 found a text, expected a whole number to compare with;"
                        + " \"order_number\" is a key, whose name is in \"region\": region = 'Keeper''s'");
    }

    @Test
    void groupsAreMadeByTheKeyAndCalledByTheirName() {
        TableResult grouped = ROWS.grouped(report(NUMBER, "", ""), dataset("region"), Answers.NONE);
        // Two orders of one name stay two groups, in the order of their keys; one without a name is called by its key.
        assertThat(groups(grouped)).containsExactly("4 8.00", "Alder 5.00", "Fernhollow 1.00", "Fernhollow 6.00");
    }

    @Test
    void cellsShowTheName() {
        TableResult grouped = ROWS.grouped(report(NUMBER, "", ""), dataset("region"), Answers.NONE);
        BandTexts printed = new BandTexts(grouped);
        List<String> cells = new ArrayList<>();
        for (int row : grouped.rows().order()) {
            cells.add(new BandContents(grouped).cells().rowText(row, 0));
        }
        assertThat(cells).containsExactly("4", "Alder", "Fernhollow", "Fernhollow", "Fernhollow");
    }

    @Test
    void aLabelOfItsOwnComesFirst() {
        Report labelled = report(NUMBER, "", "", ", \"label\": \"'No ' || order_number\"");
        assertThat(groups(ROWS.grouped(labelled, dataset("region"), Answers.NONE))
                        .getFirst())
                .isEqualTo("No 1 5.00");
    }

    @Test
    void conditionsAndAnswersTakeTheKeyAndAreSaidByTheName() {
        String prompt = "{\"id\": \"p\", \"name\": \"order\", \"type\": \"choice\", \"label\": \"Order\","
                + " \"field\": \"order_number\"}";
        String filter = "{\"id\": \"f\", \"kind\": \"expression\", \"where\": \"order_number = :order\"}";
        Report asked = report("{\"id\": \"c\", \"label\": \"Category\", \"value\": \"category\"}", filter, prompt);
        TableResult grouped = ROWS.grouped(asked, dataset("region"), new Answers(Map.of("order", "3")));
        assertThat(groups(grouped)).containsExactly("Fernhollow 6.00");
        assertThat(new BandTexts(grouped).answersInWords()).isEqualTo("Order: Fernhollow");
        TableResult unknown = ROWS.grouped(asked, dataset("region"), new Answers(Map.of("order", "9")));
        assertThat(new BandTexts(unknown).answersInWords()).isEqualTo("Order: 9");
        TableResult all = ROWS.grouped(asked, dataset("region"), Answers.NONE);
        assertThat(new BandTexts(all).answersInWords()).isEqualTo("Order: all");
    }

    @Test
    void theNameMayBeACalculatedField() {
        String calculated = "{\"id\": \"called\", \"label\": \"Called\", \"role\": \"descriptive\","
                + " \"value\": \"CASE category WHEN 'Jars' THEN 'Glass' ELSE 'Wood' END\"}";
        DatasetModel dataset = DatasetModel.of(Definitions.readDataset(Samples.DATASET
                        .replace(
                                "\"label\": \"Category\", \"type\": \"text\",",
                                "\"label\": \"Category\", \"type\": \"text\", \"lookup\": \"called\",")
                        .strip()
                        .replaceAll("}$", "")
                + ", \"calculated\": [" + calculated + "]}"));
        Report report = report("{\"id\": \"c\", \"label\": \"Category\", \"value\": \"category\"}", "", "");
        TableResult grouped = ROWS.grouped(report, dataset, Answers.NONE);
        BandTexts printed = new BandTexts(grouped);
        assertThat(new BandContents(grouped).cells().rowText(0, 0)).isEqualTo("Wood");
        assertThat(new BandContents(grouped).cells().rowText(4, 0)).isEqualTo("Glass");
    }

    @Test
    void aKeyHasOneNameAtMost() {
        assertThatThrownBy(() -> dataset("category"))
                .hasMessageContaining(
                        "/fields/0/lookup: one order has no single \"category\", which has a value for each line");
        assertThatThrownBy(() -> dataset("order_number")).hasMessageContaining("is itself a key");
        assertThatThrownBy(() -> dataset("regoin"))
                .hasMessageContaining("/fields/0/lookup: unknown field \"regoin\"; did you mean \"region\"?");
    }

    @Test
    void whatMayBeTheNameIsOfTheSameRowOrOfOneItLeadsTo() {
        DatasetModel dataset = Samples.dataset();
        int orders = dataset.field("region").table();
        assertThat(Lookups.names(orders, dataset)).containsExactly("order_number", "ordered_at", "region", "freight");
        assertThat(Lookups.names(DatasetModel.GRAIN, dataset)).contains("net", "region");
        assertThat(Lookups.names(orders, dataset("region"))).doesNotContain("order_number");
    }

    @Test
    void aKeyKeepsItsNameUnderAnotherId() {
        assertThat(new Renaming("region", "place")
                        .in(dataset("region").definition())
                        .fields()
                        .getFirst()
                        .lookup())
                .isEqualTo(Optional.of("place"));
    }
}
