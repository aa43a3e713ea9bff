package org.grammatus.core.definition;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;

/** What a schema cannot say: ids are unique in the document, and every reference inside it leads somewhere. */
final class References {

    private final Problems problems = new Problems();
    private final Map<String, String> pointerOfId = new HashMap<>();

    static void check(Report report) {
        References references = new References();
        references.ids("/prompts", report.prompts(), Report.Prompt::id);
        references.ids("/filters", report.filters(), Report.Filter::id);
        references.ids("/blocks", report.blocks(), Report.Block::id);
        for (int i = 0; i < report.prompts().size(); i++) {
            references.uniqueName(report.prompts(), i);
        }
        for (int i = 0; i < report.filters().size(); i++) {
            references.filter("/filters/" + i, report.filters().get(i), report.prompts());
        }
        for (int i = 0; i < report.blocks().size(); i++) {
            references.block("/blocks/" + i, report.blocks().get(i));
        }
        references.problems.throwIfErrors();
    }

    static void check(Dataset dataset) {
        References references = new References();
        references.ids("/tables", dataset.tables(), Dataset.Table::id);
        references.ids("/joins", dataset.joins(), Dataset.Join::id);
        references.ids("/fields", dataset.fields(), Dataset.Field::id);
        List<String> tables = dataset.tables().stream().map(Dataset.Table::id).toList();
        references.known("/grain", "table", dataset.grain(), tables);
        for (int i = 0; i < dataset.joins().size(); i++) {
            Dataset.Join join = dataset.joins().get(i);
            references.known("/joins/" + i + "/from", "table", join.from(), tables);
            references.known("/joins/" + i + "/to", "table", join.to(), tables);
        }
        for (int i = 0; i < dataset.fields().size(); i++) {
            references.known(
                    "/fields/" + i + "/table", "table", dataset.fields().get(i).table(), tables);
        }
        references.problems.throwIfErrors();
    }

    private void block(String pointer, Report.Block block) {
        ids(pointer + "/levels", block.levels(), Report.Level::id);
        ids(pointer + "/columns", block.columns(), Report.Column::id);
        ids(pointer + "/totals", block.totals(), Report.Total::id);
        ids(pointer + "/rows/order", block.rows().order(), Report.OrderTerm::id);
        for (int i = 0; i < block.levels().size(); i++) {
            ids(pointer + "/levels/" + i + "/order", block.levels().get(i).order(), Report.OrderTerm::id);
        }
        List<String> columns = block.columns().stream().map(Report.Column::id).toList();
        List<String> places =
                new ArrayList<>(block.levels().stream().map(Report.Level::id).toList());
        places.add(Report.Cell.REPORT);
        for (int i = 0; i < block.totals().size(); i++) {
            Report.Total total = block.totals().get(i);
            String at = pointer + "/totals/" + i;
            known(at + "/column", "column", total.column(), columns);
            for (int j = 0; j < total.cells().size(); j++) {
                known(at + "/cells/" + j + "/at", "level", total.cells().get(j).at(), places);
            }
        }
    }

    private void filter(String pointer, Report.Filter filter, List<Report.Prompt> prompts) {
        switch (filter.kind()) {
            case PERIOD -> {
                if (filter.field().isEmpty()) {
                    problems.error(pointer, "property \"field\" is missing: a period filter needs it");
                }
                if (filter.prompt().isEmpty()) {
                    problems.error(pointer, "property \"prompt\" is missing: a period filter needs it");
                }
                filter.prompt()
                        .ifPresent(name -> known(
                                pointer + "/prompt",
                                "prompt",
                                name,
                                prompts.stream().map(Report.Prompt::name).toList()));
                filter.where()
                        .ifPresent(where -> problems.error(
                                pointer + "/where", "a period filter has no condition of its own; remove it"));
            }
            case EXPRESSION -> {
                if (filter.where().isEmpty()) {
                    problems.error(pointer, "property \"where\" is missing: an expression filter needs it");
                }
                filter.field()
                        .ifPresent(field -> problems.error(
                                pointer + "/field", "an expression filter has no field of its own; remove it"));
                filter.prompt()
                        .ifPresent(prompt -> problems.error(
                                pointer + "/prompt",
                                "an expression filter names prompts in its condition; remove this property"));
            }
        }
    }

    private void uniqueName(List<Report.Prompt> prompts, int index) {
        String name = prompts.get(index).name();
        for (int i = 0; i < index; i++) {
            if (prompts.get(i).name().equals(name)) {
                problems.error(
                        "/prompts/" + index + "/name", "found \"" + name + "\", which /prompts/" + i + " has already");
            }
        }
    }

    private <T> void ids(String pointer, List<T> parts, Function<T, String> id) {
        for (int i = 0; i < parts.size(); i++) {
            String at = pointer + "/" + i;
            String earlier = pointerOfId.putIfAbsent(id.apply(parts.get(i)), at);
            if (earlier != null) {
                problems.error(
                        at + "/id",
                        "found \"" + id.apply(parts.get(i)) + "\", which " + earlier
                                + " has already; every id is unique in the document");
            }
        }
    }

    private void known(String pointer, String what, String found, List<String> names) {
        if (!names.contains(found)) {
            problems.error(
                    pointer,
                    "unknown " + what + " \"" + found + "\", expected one of " + String.join(", ", names)
                            + Suggestion.inWords(found, names));
        }
    }
}
