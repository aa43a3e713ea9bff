package org.grammatus.core;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.grammatus.core.band.Bands;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.page.Pages;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** A small dataset of orders and their lines, written down row by row, and a report over it. */
public final class Samples {

    public static final RunContext CONTEXT = new RunContext(LocalDate.of(2026, 11, 20), ZoneId.of("UTC"));

    public static final String DATASET = """
            {"format": "grammatus-dataset", "version": 1, "id": "lines", "label": "Order lines",
             "calendar": {"fiscalYearStart": 10}, "grain": "lines",
             "tables": [
               {"id": "lines", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}},
               {"id": "orders", "table": "order", "key": ["id"], "noun": {"one": "order", "other": "orders"}}],
             "joins": [{"id": "line-order", "from": "lines", "to": "orders", "columns": ["order"]}],
             "fields": [
               {"id": "order_number", "table": "orders", "column": "number", "label": "Order", "type": "text",
                "role": "identifier"},
               {"id": "ordered_at", "table": "orders", "column": "at", "label": "Ordered", "type": "timestamp",
                "role": "descriptive"},
               {"id": "region", "table": "orders", "column": "region", "label": "Region", "type": "text",
                "role": "descriptive"},
               {"id": "freight", "table": "orders", "column": "freight", "label": "Freight", "type": "decimal",
                "scale": 2, "role": "additive"},
               {"id": "category", "table": "lines", "column": "category", "label": "Category", "type": "text",
                "role": "descriptive"},
               {"id": "net", "table": "lines", "column": "net", "label": "Net", "type": "decimal", "scale": 2,
                "role": "additive"},
               {"id": "price", "table": "lines", "column": "price", "label": "Price", "type": "decimal", "scale": 2,
                "role": "not-additive"}]}
            """;

    public static final String REPORT = """
            {"format": "grammatus-report", "version": 1, "id": "orders", "title": "Orders", "dataset": "lines",
             "locale": "en-GB",
             "prompts": [{"id": "p-period", "name": "period", "type": "period", "label": "Ordered"}],
             "filters": [{"id": "f-period", "kind": "period", "field": "ordered_at", "prompt": "period"}],
             "blocks": [{"id": "main", "kind": "banded",
               "levels": [
                 {"id": "region", "name": "Region", "key": "region",
                  "order": [{"id": "o-region", "by": "SUM(net)", "direction": "descending"}],
                  "header": "heading", "footer": "totals"},
                 {"id": "order", "name": "Order", "key": "order_number",
                  "order": [{"id": "o-order", "by": "SUM(net)", "direction": "descending"}],
                  "header": "heading", "footer": "totals"}],
               "columns": [
                 {"id": "c-net", "label": "Net", "value": "net"},
                 {"id": "c-freight", "label": "Freight", "value": "freight"}],
               "totals": [
                 {"id": "t-net", "column": "c-net", "value": "SUM(net)", "cells": [
                   {"at": "region", "in": "footer"}, {"at": "order", "in": "footer"}, {"at": "report", "in": "footer"}]},
                 {"id": "t-freight", "column": "c-freight", "value": "SUM(freight)", "cells": [
                   {"at": "region", "in": "footer"}, {"at": "order", "in": "footer"}, {"at": "report", "in": "footer"}]}],
               "counts": ["orders", "lines"],
               "highlights": [], "rows": {"shown": true, "order": [{"id": "o-rows", "by": "net", "direction": "descending"}]}}],
             "page": {"paper": "A4", "orientation": "portrait",
                      "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    private final List<Object[]> orders = new ArrayList<>();
    private final List<Object[]> lines = new ArrayList<>();
    private final Map<String, Integer> orderRow = new HashMap<>();

    public static DatasetModel dataset() {
        return DatasetModel.of(Definitions.readDataset(DATASET));
    }

    /** With calculated fields and measures, as JSON separated by commas. */
    public static DatasetModel dataset(String calculated, String measures) {
        String more = ", \"calculated\": [" + calculated + "], \"measures\": [" + measures + "]}";
        return DatasetModel.of(Definitions.readDataset(DATASET.strip().replaceAll("}$", "") + more));
    }

    public static Report report() {
        return Definitions.readReport(REPORT);
    }

    /**
     * A report with levels and totals of its own, and nothing else.
     *
     * @param levels JSON objects separated by commas, without what all have in common: header and footer, and an order unless given
     * @param more properties of the block, each followed by a comma
     * @param totals JSON objects without id, column and cells, which stand in no cell
     */
    public static Report report(String levels, String more, String... totals) {
        StringBuilder columns = new StringBuilder();
        StringBuilder lines = new StringBuilder();
        for (int i = 0; i < totals.length; i++) {
            columns.append(i == 0 ? "" : ",").append("{\"id\": \"c%d\", \"label\": \"C%d\"}".formatted(i, i));
            lines.append(i == 0 ? "" : ",")
                    .append("{\"id\": \"t%d\", \"column\": \"c%d\", \"cells\": [],".formatted(i, i))
                    .append(totals[i].strip().substring(1));
        }
        String full = levels.replaceAll("\\}(?=\\s*(,\\s*\\{\\s*\"id\": \"[a-z]+\", \"name\"|$))", """
                , "header": "heading", "footer": "totals"}""");
        return Definitions.readReport("""
                {"format": "grammatus-report", "version": 1, "id": "orders", "title": "Orders", "dataset": "lines",
                 "locale": "en-GB",
                 "prompts": [{"id": "p-period", "name": "period", "type": "period", "label": "Ordered"}],
                 "filters": [{"id": "f-period", "kind": "period", "field": "ordered_at", "prompt": "period"}],
                 "blocks": [{"id": "main", "kind": "banded", "levels": [%s], %s
                   "columns": [%s], "totals": [%s], "counts": [], "highlights": [],
                   "rows": {"shown": false, "order": []}}],
                 "page": {"paper": "A4", "orientation": "portrait",
                          "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(full, more, columns, lines));
    }

    /** An order; null stands for NULL. */
    public Samples order(String number, String at, String region, String freight) {
        orderRow.put(number, orders.size());
        orders.add(new Object[] {number, at, region, freight});
        return this;
    }

    /** A line of an order; an order that is not there leaves it without one. */
    public Samples line(String order, String category, String net) {
        lines.add(new Object[] {order, category, net});
        return this;
    }

    /** The same rows, the lines in another order, their keys kept. */
    public Samples permuted(int[] permutation) {
        Samples other = new Samples();
        other.orders.addAll(orders);
        other.orderRow.putAll(orderRow);
        other.keys = permutation;
        for (int i : permutation) {
            other.lines.add(lines.get(i));
        }
        return other;
    }

    private int[] keys;

    public int lineCount() {
        return lines.size();
    }

    public Star star() {
        return star(dataset());
    }

    private Star star(DatasetModel dataset) {
        Map<String, Column> orderFields = new LinkedHashMap<>();
        int missing = orders.size();
        orderFields.put("order_number", texts(column(orders, 0, true)));
        orderFields.put("ordered_at", longs(Type.TIMESTAMP, column(orders, 1, true)));
        orderFields.put("region", texts(column(orders, 2, true)));
        orderFields.put("freight", longs(Type.decimal(2), column(orders, 3, true)));
        Map<String, Column> lineFields = new LinkedHashMap<>();
        lineFields.put("category", texts(column(lines, 1, false)));
        lineFields.put("net", longs(Type.decimal(2), column(lines, 2, false)));
        lineFields.put("price", longs(Type.decimal(2), column(lines, 2, false)));
        int[] links = lines.stream()
                .mapToInt(line -> orderRow.getOrDefault(line[0], missing))
                .toArray();
        long[] lineKeys = new long[lines.size()];
        Arrays.setAll(lineKeys, i -> keys == null ? i : keys[i]);
        return new Star(
                dataset,
                List.of(
                        new Star.Rows(
                                lines.size(),
                                lineFields,
                                List.of(new Column.Longs(Type.INTEGER, lineKeys)),
                                new int[0]),
                        new Star.Rows(missing + 1, orderFields, List.of(), links)));
    }

    public TableResult grouped(Report report, Answers answers) {
        return grouped(report, dataset(), answers);
    }

    public TableResult grouped(Report report, DatasetModel dataset, Answers answers) {
        return grouped(Planner.plan(report, dataset, answers, CONTEXT).table());
    }

    /** Groups of a plan over a dataset that is read as it is. */
    public TableResult grouped(TablePlan plan) {
        return grouping(plan).grouped();
    }

    public GroupingStep.Result grouping(Report report, Answers answers) {
        return grouping(Planner.plan(report, dataset(), answers, CONTEXT).table());
    }

    /** Groups of a plan with what stands behind them. */
    public GroupingStep.Result grouping(TablePlan plan) {
        DatasetModel dataset = plan.dataset();
        Faults faults = new Faults();
        Star star = star(dataset);
        return GroupingStep.group(plan, star, KeptRows.of(plan, star, faults, () -> false), faults, () -> false);
    }

    public TableResult grouped() {
        return grouped(report(), Answers.NONE);
    }

    public Pages pages() {
        return Pages.of(Bands.of(grouped()), () -> false);
    }

    private static List<String> column(List<Object[]> rows, int index, boolean withMissing) {
        List<String> values = new ArrayList<>();
        rows.forEach(row -> values.add((String) row[index]));
        if (withMissing) {
            values.add(null);
        }
        return values;
    }

    private static Column texts(List<String> values) {
        List<String> dictionary =
                values.stream().filter(v -> v != null).distinct().toList();
        return new Column.Texts(
                values.stream()
                        .mapToInt(v -> v == null ? Column.Texts.NULL : dictionary.indexOf(v))
                        .toArray(),
                dictionary.toArray(String[]::new));
    }

    private static Column longs(Type type, List<String> values) {
        return new Column.Longs(
                type,
                values.stream()
                        .mapToLong(v -> v == null
                                ? Column.Longs.NULL
                                : type.kind() == Kind.TIMESTAMP
                                        ? Scalars.micros(LocalDateTime.parse(v))
                                        : new BigDecimal(v)
                                                .setScale(type.scale())
                                                .unscaledValue()
                                                .longValueExact())
                        .toArray());
    }
}
