package org.grammatus.core.definition;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;

/** What a schema cannot say: ids are unique in the document, and every reference inside it leads somewhere. */
final class References {

    private final Problems problems = new Problems();
    private final Map<String, String> pointerOfId = new HashMap<>();

    /** Every fault of a report. */
    static List<Problem> of(Report report) {
        References references = new References();
        references.ids("/prompts", report.prompts(), ReportPrompt::id);
        references.ids("/filters", report.filters(), ReportFilter::id);
        references.ids("/blocks", report.blocks(), ReportBlock::id);
        for (int i = 0; i < report.prompts().size(); i++) {
            references.uniqueName(report.prompts(), i);
            references.prompt("/prompts/" + i, report.prompts().get(i));
        }
        for (int i = 0; i < report.filters().size(); i++) {
            references.filter("/filters/" + i, report.filters().get(i), report.prompts());
        }
        for (int i = 0; i < report.blocks().size(); i++) {
            references.block("/blocks/" + i, report.blocks().get(i));
        }
        return references.problems.found();
    }

    /** What a dataset that is built on others refers to may be in those; it is checked once they are put into it. */
    static List<Problem> of(Dataset dataset) {
        References references = new References();
        references.ids("/tables", dataset.tables(), Dataset.Table::id);
        references.ids("/joins", dataset.joins(), Dataset.Join::id);
        references.ids("/fields", dataset.fields(), Dataset.Field::id);
        references.ids("/calculated", dataset.calculated().orElse(List.of()), Dataset.Calculated::id);
        references.ids("/measures", dataset.measures().orElse(List.of()), Dataset.Measure::id);
        if (dataset.builtOn().isEmpty()) {
            references.inside(dataset);
        }
        return references.problems.found();
    }

    private void inside(Dataset dataset) {
        List<String> tables = dataset.tables().stream().map(Dataset.Table::id).toList();
        known("/grain", "table", dataset.grain(), tables);
        List<String> fields = dataset.fields().stream().map(Dataset.Field::id).toList();
        for (int i = 0; i < dataset.tables().size(); i++) {
            String at = "/tables/" + i;
            Dataset.Table table = dataset.tables().get(i);
            table.code().ifPresent(field -> known(at + "/code", "field", field, fields));
            table.name().ifPresent(field -> known(at + "/name", "field", field, fields));
        }
        for (int i = 0; i < dataset.joins().size(); i++) {
            Dataset.Join join = dataset.joins().get(i);
            known("/joins/" + i + "/from", "table", join.from(), tables);
            known("/joins/" + i + "/to", "table", join.to(), tables);
        }
        for (int i = 0; i < dataset.fields().size(); i++) {
            known("/fields/" + i + "/table", "table", dataset.fields().get(i).table(), tables);
        }
    }

    private void block(String pointer, ReportBlock block) {
        ids(pointer + "/levels", block.levels(), ReportLevel::id);
        ids(pointer + "/columns", block.columns(), ReportColumn::id);
        ids(pointer + "/totals", block.totals(), ReportTotal::id);
        ids(pointer + "/highlights", block.highlights(), ReportHighlight::id);
        rows(pointer + "/rows", block.rows());
        for (int i = 0; i < block.levels().size(); i++) {
            level(pointer + "/levels/" + i, block.levels().get(i));
        }
        List<String> columns = block.columns().stream().map(ReportColumn::id).toList();
        List<String> places =
                new ArrayList<>(block.levels().stream().map(ReportLevel::id).toList());
        places.add(ReportCell.REPORT);
        for (int i = 0; i < block.columns().size(); i++) {
            String at = pointer + "/columns/" + i + "/once";
            block.columns().get(i).once().ifPresent(level -> known(at, "level", level, places));
        }
        for (int i = 0; i < block.totals().size(); i++) {
            ReportTotal total = block.totals().get(i);
            String at = pointer + "/totals/" + i;
            known(at + "/column", "column", total.column(), columns);
            total.compare().ifPresent(compare -> compare(at + "/compare", total, compare));
            for (int j = 0; j < total.cells().size(); j++) {
                known(at + "/cells/" + j + "/at", "level", total.cells().get(j).at(), places);
            }
        }
    }

    private void level(String pointer, ReportLevel level) {
        ids(pointer + "/order", level.order(), OrderTerm::id);
        level.limit().ifPresent(limit -> {
            if (limit.count().isPresent() && limit.percent().isPresent()) {
                problems.error(
                        pointer + "/limit",
                        "groups are limited by \"count\" or by \"percent\", not by both; remove one");
            } else if (limit.count().isEmpty() && limit.percent().isEmpty()) {
                problems.error(pointer + "/limit", "says not how many groups are kept; add \"count\" or \"percent\"");
            }
        });
        if (level.bucket().isPresent()) {
            unused(pointer + "/classes", level.classes(), "a level with a bucket has no classes");
        }
        if (level.bucket().isPresent() || level.classes().isPresent()) {
            unused(pointer + "/listed", level.listed(), "buckets and classes stand in their own order");
        }
    }

    private void rows(String pointer, ReportRows rows) {
        ids(pointer + "/order", rows.order(), OrderTerm::id);
        if (rows.limit().isPresent()) {
            unused(pointer + "/percent", rows.percent(), "rows are limited by \"limit\" or \"percent\", not by both");
        }
        if (!rows.limited()) {
            unused(pointer + "/others", rows.others(), "there are no other rows without \"limit\" or \"percent\"");
        }
    }

    private void compare(String pointer, ReportTotal total, ReportCompare compare) {
        boolean plan = compare.with() == ComparedWith.PLAN;
        if (plan) {
            needed(pointer, "plan", compare.plan(), "a comparison with a plan");
            unused(pointer + "/date", compare.date(), "a plan is of the same time");
            unused(pointer + "/cut", compare.cut(), "a plan is of the same time");
        } else {
            needed(pointer, "date", compare.date(), "a comparison with another time");
            unused(pointer + "/plan", compare.plan(), "a comparison with another time has no plan");
        }
        if (total.shown().isPresent()) {
            problems.error(pointer, "a comparison is shown as it says itself; remove \"shown\" of the total");
        }
    }

    private void prompt(String pointer, ReportPrompt prompt) {
        boolean choice = prompt.type() == PromptType.CHOICE;
        if (choice && prompt.field().isEmpty()) {
            problems.error(pointer, "property \"field\" is missing: a choice needs it");
        }
        if (!choice) {
            unused(pointer + "/field", prompt.field(), "only a choice has a field");
        }
    }

    private void filter(String pointer, ReportFilter filter, List<ReportPrompt> prompts) {
        switch (filter.kind()) {
            case PERIOD -> {
                needed(pointer, "field", filter.field(), "a period filter");
                needed(pointer, "prompt", filter.prompt(), "a period filter");
                unused(pointer + "/where", filter.where(), "a period filter has no condition of its own");
                unused(pointer + "/comparison", filter.comparison(), "a period filter compares with its prompt");
                unused(pointer + "/values", filter.values(), "a period filter compares with its prompt");
                filter.prompt().ifPresent(name -> prompt(pointer, name, PromptType.PERIOD, prompts));
            }
            case CONDITION -> {
                needed(pointer, "field", filter.field(), "a condition");
                needed(pointer, "comparison", filter.comparison(), "a condition");
                unused(pointer + "/where", filter.where(), "a condition is made of a field and values");
                filter.comparison().ifPresent(comparison -> operands(pointer, filter, comparison));
                filter.prompt().ifPresent(name -> prompt(pointer, name, PromptType.CHOICE, prompts));
            }
            case EXPRESSION -> {
                needed(pointer, "where", filter.where(), "an expression filter");
                unused(pointer + "/field", filter.field(), "an expression filter has no field of its own");
                unused(pointer + "/prompt", filter.prompt(), "an expression filter names prompts in its condition");
                unused(pointer + "/comparison", filter.comparison(), "an expression filter compares in its condition");
                unused(pointer + "/values", filter.values(), "an expression filter names values in its condition");
            }
        }
    }

    /** A condition compares with as many values as its comparison takes, or with one prompt. */
    private void operands(String pointer, ReportFilter filter, FilterComparison comparison) {
        int values = filter.values().map(List::size).orElse(0);
        int found = values + (filter.prompt().isPresent() ? 1 : 0);
        int most = switch (comparison) {
            case BLANK, NOT_BLANK -> 0;
            case BETWEEN -> 2;
            case IS, IS_NOT -> Integer.MAX_VALUE;
            default -> 1;
        };
        int least = Math.min(most, comparison == FilterComparison.BETWEEN ? 2 : 1);
        if (filter.prompt().isPresent() && values > 0) {
            problems.error(pointer + "/values", "a condition compares with values or with a prompt, not both");
        } else if (found < least || found > most) {
            String expected = most == 0 ? "none" : least == most ? String.valueOf(most) : "at least " + least;
            problems.error(
                    pointer + "/values",
                    "found " + found + (found == 1 ? " value" : " values") + " to compare with, expected " + expected);
        }
    }

    private void prompt(String pointer, String name, PromptType type, List<ReportPrompt> prompts) {
        List<String> names = prompts.stream()
                .filter(p -> p.type() == type)
                .map(ReportPrompt::name)
                .toList();
        known(pointer + "/prompt", "prompt", name, names);
    }

    private void needed(String pointer, String property, Optional<?> value, String by) {
        if (value.isEmpty()) {
            problems.error(pointer, "property \"" + property + "\" is missing: " + by + " needs it");
        }
    }

    private void unused(String pointer, Optional<?> value, String reason) {
        if (value.isPresent()) {
            problems.error(pointer, reason + "; remove this property");
        }
    }

    private void uniqueName(List<ReportPrompt> prompts, int index) {
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
                    "unknown " + what + " \"" + found + "\", expected "
                            + (names.isEmpty() ? "none" : "one of " + String.join(", ", names))
                            + Suggestion.inWords(found, names));
        }
    }
}
