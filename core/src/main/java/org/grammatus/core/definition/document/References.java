package org.grammatus.core.definition.document;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.choice.layout.ColumnScale;
import org.grammatus.core.definition.BlockRow;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.OrderTerm;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportCompare;
import org.grammatus.core.definition.ReportField;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportParagraph;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.ReportRows;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problems;

/** What a schema cannot say: ids are unique in the document, and every reference inside it leads somewhere. */
final class References {

    /** The whole width, in shares. */
    private static final int ALL = 100;

    private final Problems problems = new Problems();
    private final ReferenceFaults faults = new ReferenceFaults(problems);
    private final Map<String, String> pointerOfId = new HashMap<>();

    /** Every fault of a report. */
    static List<Problem> of(Report report) {
        References references = new References();
        references.ids("/prompts", report.prompts(), ReportPrompt::id);
        references.ids("/filters", report.filters(), ReportFilter::id);
        references.ids("/blocks", report.blocks(), ReportBlock::id);
        for (int i = 0; i < report.prompts().size(); i++) {
            references.uniqueName(report.prompts(), i);
            references.choices("/prompts/" + i, report.prompts().get(i));
        }
        references.fields("/fields", report.fields());
        for (int i = 0; i < report.filters().size(); i++) {
            references.filter("/filters/" + i, report.filters().get(i), report.prompts());
            references.reach("/filters/" + i, report.filters().get(i), report);
        }
        for (int i = 0; i < report.blocks().size(); i++) {
            references.block("/blocks/" + i, report.blocks().get(i), report.prompts());
        }
        if (report.blocks().stream().allMatch(ReportBlock::isOff)) {
            references.problems.error("/blocks", "every block is switched off; switch one on");
        }
        report.page()
                .block()
                .ifPresent(id -> references.faults.known(
                        "/page/block",
                        "block",
                        id,
                        report.blocks().stream().map(ReportBlock::id).toList()));
        references.arrangement(report);
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
        faults.known("/grain", "table", dataset.grain(), tables);
        List<String> fields = dataset.fields().stream().map(Dataset.Field::id).toList();
        for (int i = 0; i < dataset.tables().size(); i++) {
            String at = "/tables/" + i;
            Dataset.Table table = dataset.tables().get(i);
            table.code().ifPresent(field -> faults.known(at + "/code", "field", field, fields));
            table.name().ifPresent(field -> faults.known(at + "/name", "field", field, fields));
        }
        for (int i = 0; i < dataset.joins().size(); i++) {
            Dataset.Join join = dataset.joins().get(i);
            faults.known("/joins/" + i + "/from", "table", join.from(), tables);
            faults.known("/joins/" + i + "/to", "table", join.to(), tables);
        }
        for (int i = 0; i < dataset.fields().size(); i++) {
            faults.known(
                    "/fields/" + i + "/table", "table", dataset.fields().get(i).table(), tables);
        }
    }

    private void block(String pointer, ReportBlock block, List<ReportPrompt> prompts) {
        ids(pointer + "/filters", block.ownFilters(), ReportFilter::id);
        for (int i = 0; i < block.ownFilters().size(); i++) {
            filter(pointer + "/filters/" + i, block.ownFilters().get(i), prompts);
        }
        for (int i = 0; i < block.ownFilters().size(); i++) {
            faults.unused(
                    pointer + "/filters/" + i + "/blocks",
                    block.ownFilters().get(i).blocks(),
                    "a block's own filter reaches that block alone");
        }
        fields(pointer + "/fields", block.fields());
        switch (block) {
            case TableBlock table -> table(pointer, table, prompts);
            case FiguresBlock figures -> {
                ids(pointer + "/figures", figures.figures(), ReportFigure::id);
                ids(pointer + "/highlights", figures.highlights().orElse(List.of()), ReportHighlight::id);
                new HighlightReferences(faults).ofFigures(pointer + "/highlights", figures);
                for (int i = 0; i < figures.figures().size(); i++) {
                    compare(
                            pointer + "/figures/" + i + "/compare",
                            figures.figures().get(i).compare(),
                            prompts);
                }
            }
            case TextBlock text -> ids(pointer + "/paragraphs", text.paragraphs(), ReportParagraph::id);
        }
    }

    private void compare(String pointer, Optional<ReportCompare> compare, List<ReportPrompt> prompts) {
        compare.filter(ReportCompare.WithPeriod.class::isInstance)
                .map(ReportCompare.WithPeriod.class::cast)
                .ifPresent(with -> prompt(pointer, with.prompt(), Set.of(PromptType.PERIOD), prompts));
    }

    /** A field is called in one way in one place. */
    private void fields(String pointer, Optional<List<ReportField>> fields) {
        Set<String> named = new HashSet<>();
        for (int i = 0; i < fields.map(List::size).orElse(0); i++) {
            String id = fields.get().get(i).id();
            if (!named.add(id)) {
                problems.error(
                        pointer + "/" + i + "/id",
                        "field \"" + id + "\" is here already; put what is said of it together");
            }
        }
    }

    private void reach(String pointer, ReportFilter filter, Report report) {
        List<String> blocks = report.blocks().stream().map(ReportBlock::id).toList();
        List<String> reached = filter.blocks().orElse(List.of());
        for (int i = 0; i < reached.size(); i++) {
            faults.known(pointer + "/blocks/" + i, "block", reached.get(i), blocks);
        }
        List<ReportFilter.FieldElsewhere> also = filter.also().orElse(List.of());
        List<String> datasets = Stream.concat(
                        report.datasets().stream(),
                        report.prompts().stream()
                                .flatMap(prompt -> prompt instanceof ReportPrompt.Choice choice
                                        ? choice.dataset().stream()
                                        : Stream.empty()))
                .toList();
        for (int i = 0; i < also.size(); i++) {
            faults.known(
                    pointer + "/also/" + i + "/dataset", "dataset", also.get(i).dataset(), datasets);
        }
    }

    /** Every block stands in one place at most, and the shares of a row are all of its width. */
    private void arrangement(Report report) {
        List<String> blocks = report.blocks().stream().map(ReportBlock::id).toList();
        Set<String> placed = new HashSet<>();
        List<BlockRow> rows = report.arrangement().orElse(List.of());
        for (int i = 0; i < rows.size(); i++) {
            List<BlockRow.Place> places = rows.get(i).blocks();
            String pointer = "/arrangement/" + i + "/blocks";
            for (int j = 0; j < places.size(); j++) {
                faults.known(
                        pointer + "/" + j + "/block", "block", places.get(j).block(), blocks);
                if (!placed.add(places.get(j).block())) {
                    problems.error(
                            pointer + "/" + j + "/block",
                            "block \"" + places.get(j).block() + "\" has a place already; take one of them out");
                }
            }
            long shared =
                    places.stream().filter(place -> place.share().isPresent()).count();
            int sum = places.stream().mapToInt(place -> place.share().orElse(0)).sum();
            if (shared > 0 && (shared < places.size() || sum != ALL)) {
                problems.error(
                        pointer,
                        shared < places.size()
                                ? "some blocks of the row have a share of its width and others have none; give all a share, or none"
                                : "the shares of the row come to " + sum + ", expected " + ALL);
            }
        }
    }

    private void table(String pointer, TableBlock block, List<ReportPrompt> prompts) {
        ids(pointer + "/levels", block.levels(), ReportLevel::id);
        ids(pointer + "/columns", block.columns(), ReportColumn::id);
        ids(pointer + "/totals", block.totals(), ReportTotal::id);
        ids(pointer + "/highlights", block.highlights(), ReportHighlight::id);
        rows(pointer + "/rows", block.rows());
        new HighlightReferences(faults).ofTable(pointer + "/highlights", block);
        for (int i = 0; i < block.levels().size(); i++) {
            level(pointer + "/levels/" + i, block.levels().get(i));
        }
        List<String> columns = block.columns().stream().map(ReportColumn::id).toList();
        List<String> places =
                new ArrayList<>(block.levels().stream().map(ReportLevel::id).toList());
        places.add(ReportCell.REPORT);
        for (int i = 0; i < block.columns().size(); i++) {
            String at = pointer + "/columns/" + i + "/once";
            block.columns().get(i).once().ifPresent(level -> faults.known(at, "level", level, places));
            String scale = pointer + "/columns/" + i + "/scale/within";
            block.columns()
                    .get(i)
                    .scale()
                    .flatMap(ColumnScale::within)
                    .ifPresent(level -> faults.known(scale, "level", level, places));
        }
        for (int i = 0; i < block.totals().size(); i++) {
            ReportTotal total = block.totals().get(i);
            String at = pointer + "/totals/" + i;
            faults.known(at + "/column", "column", total.column(), columns);
            compare(at + "/compare", total.compare(), prompts);
            if (total.compare().isPresent() && total.shown().isPresent()) {
                problems.error(
                        at + "/compare", "a comparison is shown as it says itself; remove \"shown\" of the total");
            }
            for (int j = 0; j < total.cells().size(); j++) {
                faults.known(
                        at + "/cells/" + j + "/at",
                        "level",
                        total.cells().get(j).at(),
                        places);
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
            faults.unused(pointer + "/classes", level.classes(), "a level with a bucket has no classes");
        }
        if (level.bucket().isPresent() || level.classes().isPresent()) {
            faults.unused(pointer + "/listed", level.listed(), "buckets and classes stand in their own order");
        }
    }

    private void rows(String pointer, ReportRows rows) {
        ids(pointer + "/order", rows.order(), OrderTerm::id);
        if (rows.limit().isPresent()) {
            faults.unused(
                    pointer + "/percent", rows.percent(), "rows are limited by \"limit\" or \"percent\", not by both");
        }
        if (!rows.limited()) {
            faults.unused(
                    pointer + "/others", rows.others(), "there are no other rows without \"limit\" or \"percent\"");
        }
    }

    private void filter(String pointer, ReportFilter filter, List<ReportPrompt> prompts) {
        switch (filter) {
            case ReportFilter.OfPeriod period -> prompt(pointer, period.prompt(), Set.of(PromptType.PERIOD), prompts);
            case ReportFilter.Condition condition -> {
                operands(pointer, condition);
                if (condition.other().isPresent()) {
                    faults.unused(
                            pointer + "/also",
                            condition.also(),
                            "a filter that compares two fields stays in its dataset");
                }
                condition
                        .prompt()
                        .ifPresent(name ->
                                prompt(pointer, name, condition.comparison().answeredBy(), prompts));
            }
            case ReportFilter.Typed typed -> {}
            case ReportFilter.Top top -> {}
            case ReportFilter.Several several -> parts(pointer, several.filters(), prompts);
            case RelatedFilter related -> {
                parts(pointer, related.filters().orElse(List.of()), prompts);
                if (related.counted().isPresent() && related.least().isEmpty()) {
                    problems.error(pointer + "/counted", "says not how many there must be; add \"least\"");
                }
            }
        }
    }

    /** What a filter is made of reaches what that reaches, and chooses no first rows by itself. */
    private void parts(String pointer, List<ReportFilter> parts, List<ReportPrompt> prompts) {
        for (int i = 0; i < parts.size(); i++) {
            String at = pointer + "/filters/" + i;
            ids(pointer + "/filters", i, parts.get(i).id());
            filter(at, parts.get(i), prompts);
            faults.unused(at + "/blocks", parts.get(i).blocks(), "a part of a filter reaches what that reaches");
            if (parts.get(i) instanceof ReportFilter.Top) {
                problems.error(
                        at + "/kind", "the first rows are those of all that the other filters keep; move it out");
            }
        }
    }

    /** A condition compares with as many values as its comparison takes, or with one prompt. */
    private void operands(String pointer, ReportFilter.Condition filter) {
        int values = filter.values().map(List::size).orElse(0);
        int ofPrompt = filter.comparison() == FilterComparison.BETWEEN ? 2 : 1;
        int found = values
                + (filter.prompt().isPresent() ? ofPrompt : 0)
                + (filter.other().isPresent() ? 1 : 0);
        int most = filter.comparison().operands().most();
        int least = filter.comparison().operands().least();
        long compared = Stream.of(filter.prompt(), filter.other(), filter.values())
                .filter(Optional::isPresent)
                .count();
        if (compared > 1) {
            problems.error(
                    pointer + (values > 0 ? "/values" : "/other"),
                    "a condition compares with values, with another field or with a prompt; leave one of them");
        } else if (filter.hasOperand() && (found < least || found > most)) {
            String expected = most == 0 ? "none" : least == most ? String.valueOf(most) : "at least " + least;
            problems.error(
                    pointer + "/values",
                    "found " + found + (found == 1 ? " value" : " values") + " to compare with, expected " + expected);
        }
    }

    private void prompt(String pointer, String name, Set<PromptType> types, List<ReportPrompt> prompts) {
        List<String> names = prompts.stream()
                .filter(p -> types.contains(p.type()))
                .map(ReportPrompt::name)
                .toList();
        faults.known(pointer + "/prompt", "prompt", name, names);
    }

    /** A choice offers the values of a field, or those that it lists, each once. */
    private void choices(String pointer, ReportPrompt prompt) {
        if (!(prompt instanceof ReportPrompt.Choice choice)) {
            return;
        }
        if (choice.field().isEmpty() && choice.listed().isEmpty()) {
            problems.error(pointer, "offers nothing to choose from; add \"field\" or \"listed\"");
        }
        Set<String> values = new HashSet<>();
        List<ReportPrompt.Listed> listed = choice.listed().orElse(List.of());
        for (int i = 0; i < listed.size(); i++) {
            if (!values.add(listed.get(i).value())) {
                problems.error(
                        pointer + "/listed/" + i + "/value",
                        "\"" + listed.get(i).value() + "\" is listed already; each value stands once");
            }
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
            ids(pointer, i, id.apply(parts.get(i)));
        }
    }

    private void ids(String pointer, int index, String id) {
        String at = pointer + "/" + index;
        String earlier = pointerOfId.putIfAbsent(id, at);
        if (earlier != null) {
            problems.error(
                    at + "/id",
                    "found \"" + id + "\", which " + earlier + " has already; every id is unique in the document");
        }
    }
}
