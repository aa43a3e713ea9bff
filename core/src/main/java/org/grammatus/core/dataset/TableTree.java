package org.grammatus.core.dataset;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** Makes a model of a dataset: its tables as a tree from the grain, its fields each at its home. */
final class TableTree {

    private TableTree() {}

    /**
     * Finds the way from the grain to every table.
     *
     * @throws org.grammatus.core.problem.ProblemException if a table is not reached, or reached twice, a join does not fit, or a
     *     calculated field or measure is wrong
     */
    static DatasetModel model(Dataset dataset) {
        if (dataset.builtOn().isPresent()) {
            throw new ProblemException(
                    Problem.error("/builtOn", "the datasets that this one is built on are not here; take it out"));
        }
        Problems problems = new Problems();
        Map<String, Dataset.Table> byId = new LinkedHashMap<>();
        dataset.tables().forEach(table -> byId.put(table.id(), table));
        List<Dataset.Table> tables = new ArrayList<>();
        List<Integer> pointedFrom = new ArrayList<>();
        List<Dataset.Join> joins = new ArrayList<>();
        Deque<Dataset.Table> reached = new ArrayDeque<>();
        tables.add(byId.get(dataset.grain()));
        pointedFrom.add(-1);
        joins.add(null);
        reached.add(tables.getFirst());
        while (!reached.isEmpty()) {
            Dataset.Table from = reached.poll();
            for (int i = 0; i < dataset.joins().size(); i++) {
                Dataset.Join join = dataset.joins().get(i);
                if (!join.from().equals(from.id())) {
                    continue;
                }
                Dataset.Table to = byId.get(join.to());
                if (tables.contains(to)) {
                    problems.error(
                            "/joins/" + i,
                            "table \"" + to.id() + "\" is reached a second time; give it a second name for that");
                    continue;
                }
                if (join.columns().size() != to.key().size()) {
                    problems.error(
                            "/joins/" + i + "/columns",
                            "found " + join.columns().size() + " columns, expected "
                                    + to.key().size() + ", as many as the key of \"" + to.id() + "\" has");
                }
                tables.add(to);
                pointedFrom.add(tables.indexOf(from));
                joins.add(join);
                reached.add(to);
            }
        }
        for (int i = 0; i < dataset.tables().size(); i++) {
            if (!tables.contains(dataset.tables().get(i))) {
                problems.error(
                        "/tables/" + i,
                        "table \"" + dataset.tables().get(i).id() + "\" is not reached from \"" + dataset.grain()
                                + "\" by to-one joins; add a join, or remove the table");
            }
        }
        Map<String, DatasetModel.FieldInfo> fields = fields(dataset, tables, problems);
        Map<String, DatasetModel.NamedValue> named = NamedValues.of(dataset, problems);
        dataset.complete()
                .map(Dataset.Complete::field)
                .filter(field ->
                        !fields.containsKey(field) || !fields.get(field).type().isTime())
                .ifPresent(field -> problems.error(
                        "/complete/field",
                        "\"" + field + "\" is no date of this dataset" + Suggestion.inWords(field, fields.keySet())));
        problems.throwIfErrors();
        DatasetModel model = new DatasetModel(
                dataset,
                List.copyOf(tables),
                pointedFrom.stream().mapToInt(Integer::intValue).toArray(),
                joins,
                fields,
                named,
                dataset,
                Patterns.AS_GIVEN);
        NamedValues.check(model);
        Lookups.check(model);
        return model;
    }

    private static Map<String, DatasetModel.FieldInfo> fields(
            Dataset dataset, List<Dataset.Table> tables, Problems problems) {
        Map<String, DatasetModel.FieldInfo> fields = new LinkedHashMap<>();
        for (int i = 0; i < dataset.fields().size(); i++) {
            Dataset.Field field = dataset.fields().get(i);
            Type type;
            switch (field.type()) {
                case DECIMAL -> {
                    if (field.scale().isEmpty()) {
                        problems.error("/fields/" + i, "property \"scale\" is missing: a decimal needs it");
                    }
                    type = Type.decimal(field.scale().orElse(0));
                }
                default -> {
                    if (field.scale().isPresent()) {
                        problems.error("/fields/" + i + "/scale", "only a decimal has a scale; remove it");
                    }
                    type = Type.of(field.type());
                }
            }
            if (field.order().isPresent() && field.type() != Kind.TEXT) {
                problems.error("/fields/" + i + "/order", "only a text has an order of its own; remove it");
            }
            int table = -1;
            for (int t = 0; t < tables.size(); t++) {
                if (tables.get(t).id().equals(field.table())) {
                    table = t;
                }
            }
            fields.put(field.id(), new DatasetModel.FieldInfo(field, type, table));
        }
        return fields;
    }
}
