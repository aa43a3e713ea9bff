package org.grammatus.demo.edits;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.choice.ChoiceWord;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.edit.EditCatalogue;
import org.grammatus.core.definition.edit.EditCatalogue.EditKind;
import org.grammatus.core.definition.edit.EditCatalogue.Property;
import org.grammatus.core.definition.edit.ReportEdit;
import org.grammatus.core.edit.EditOffers;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.LevelChoices;
import org.grammatus.core.value.Kind;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Edits of any kind, each of parts that the report has; an edit that there is one day is made by its properties' names. */
final class RandomEdits {

    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    private final Random random;
    private final List<EditKind> left = new ArrayList<>();

    RandomEdits(Random random) {
        this.random = random;
    }

    EditScope scope(Report report, ReportDatasets datasets, LocalDate today) {
        List<String> on = report.blocks().stream()
                .filter(block -> !block.isOff())
                .map(ReportBlock::id)
                .toList();
        return new EditScope(Optional.of(one(on)), datasets, today);
    }

    ReportEdit edit(Report report, EditScope scope) {
        EditKind kind = next();
        ObjectNode edit = JSON.objectNode().put(EditCatalogue.NAME, kind.name());
        for (Property property : kind.properties()) {
            if (property.required() || random.nextBoolean()) {
                value(property, kind, report, scope).ifPresent(value -> edit.set(property.name(), value));
            }
        }
        for (Property property : kind.properties()) {
            if (property.required() && !edit.has(property.name())) {
                return edit(report, scope);
            }
        }
        return Definitions.readEdit(edit.toString());
    }

    /** Every kind in its turn, shuffled anew each time. */
    private EditKind next() {
        if (left.isEmpty()) {
            left.addAll(EditCatalogue.all());
            Collections.shuffle(left, random);
        }
        return left.removeLast();
    }

    private <T> T one(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    private Optional<JsonNode> value(Property property, EditKind kind, Report report, EditScope scope) {
        return switch (property.shape()) {
            case YES_NO -> Optional.of(JSON.booleanNode(random.nextBoolean()));
            case WORD ->
                (property.name().equals("rule") ? any(readyRules(report, scope)) : Optional.of(one(property.words())))
                        .map(JSON::stringNode);
            case DOCUMENT -> Optional.of(document(property, report, scope));
            case TEXTS -> {
                ArrayNode list = JSON.arrayNode();
                text(property.name().replaceFirst("s$", ""), kind, report, scope)
                        .ifPresent(list::add);
                yield list.isEmpty() ? Optional.empty() : Optional.of(list);
            }
            case TEXT -> text(property.name(), kind, report, scope).map(JSON::stringNode);
        };
    }

    /** Of the many rules that there are, few are ready for a part. */
    private static Stream<String> readyRules(Report report, EditScope scope) {
        return EditOffers.of(report, scope).ready().stream()
                .flatMap(ready -> ready.rules().stream())
                .map(offer -> ChoiceWord.of(offer.rule()));
    }

    private JsonNode document(Property property, Report report, EditScope scope) {
        JsonNode block = Definitions.tree(report)
                .path("blocks")
                .valueStream()
                .filter(one ->
                        one.path("id").asString().equals(scope.worked(report).id()))
                .findFirst()
                .orElseThrow();
        return switch (property.name()) {
            case "columns", "totals" ->
                block.path(property.name()).isArray() ? block.path(property.name()) : JSON.arrayNode();
            case "block" -> block;
            case "field" ->
                JSON.objectNode()
                        .put("id", one(dataset(report, scope).rowNames()))
                        .put("label", "Called otherwise");
            default -> throw new IllegalArgumentException("No sample of " + property.name());
        };
    }

    private static DatasetModel dataset(Report report, EditScope scope) {
        return scope.datasets().of(report, scope.worked(report).dataset()).orElseThrow();
    }

    private Optional<String> text(String name, EditKind kind, Report report, EditScope scope) {
        ReportBlock block = scope.worked(report);
        TableBlock table = block instanceof TableBlock found ? found : null;
        DatasetModel dataset = dataset(report, scope);
        return switch (name) {
            case "field" -> field(kind, dataset, scope);
            case "column" -> any(columns(table));
            case "after" -> any(columns(table));
            case "level" -> any(kind.name().equals("add-class") ? levelsOfNumbers(report, scope) : levels(table));
            case "before" -> any(kind.name().equals("move-filter") ? filters(report, block) : levels(table));
            case "at" -> any(Stream.concat(levels(table), Stream.of("report")));
            case "total" -> any(totals(table));
            case "figure" -> any(figures(block));
            case "highlight" -> any(highlights(block));
            case "filter", "within" -> any(filters(report, block));
            case "block" -> any(report.blocks().stream().map(ReportBlock::id));
            case "prompt" -> prompt(kind, report);
            case "about" -> about(kind, block);
            case "date" ->
                any(dataset.rowNames().stream()
                        .filter(id -> dataset.typeOf(id).orElseThrow().kind() == Kind.DATE
                                || dataset.typeOf(id).orElseThrow().kind() == Kind.TIMESTAMP));
            case "dataset" -> any(scope.datasets().others().keySet().stream());
            case "by" -> any(fields(dataset));
            case "text" -> Optional.of("Written here");
            case "where" -> any(fields(dataset).map(id -> id + " IS NOT NULL"));
            case "value" -> expression(kind, report, scope);
            case "operator" -> Optional.of(one(List.of("IS NULL", "IS NOT NULL", "<", ">=", "<>")));
            case "answer", "than", "typed" -> Optional.empty();
            case "label", "title", "name", "message" -> Optional.of("Called otherwise");
            default -> throw new IllegalArgumentException("No sample of " + name);
        };
    }

    private Optional<String> field(EditKind kind, DatasetModel dataset, EditScope scope) {
        if (kind.name().equals("add-prompt")) {
            return any(scope.datasets().main().rowNames().stream());
        }
        // Only levels of numbers have classes, and few fields are numbers.
        return kind.name().equals("add-level") && random.nextBoolean()
                ? any(numbers(dataset))
                : any(Stream.concat(
                        dataset.rowNames().stream(), dataset.measures().stream().map(DatasetModel.NamedValue::id)));
    }

    private Optional<String> expression(EditKind kind, Report report, EditScope scope) {
        DatasetModel dataset = dataset(report, scope);
        return switch (kind.name()) {
            case "add-total", "set-total" -> any(fields(dataset).map(id -> "COUNT(" + id + ")"));
            case "set-rule" ->
                any(EditOffers.of(report, scope).highlights().stream()
                        .flatMap(rule -> rule.values().stream())
                        .map(choice -> choice.text()));
            default -> any(fields(dataset));
        };
    }

    private Optional<String> prompt(EditKind kind, Report report) {
        return any(report.prompts().stream()
                .map(
                        kind.name().equals("add-filter")
                                        || kind.name().equals("compare-figure")
                                        || kind.name().equals("add-ready-highlight")
                                ? ReportPrompt::name
                                : ReportPrompt::id));
    }

    private Optional<String> about(EditKind kind, ReportBlock block) {
        TableBlock table = block instanceof TableBlock found ? found : null;
        return any(Stream.of(columns(table), totals(table), figures(block)).flatMap(ids -> ids));
    }

    /** Fields whose names are no words of expressions. */
    private static Stream<String> fields(DatasetModel dataset) {
        return dataset.rowNames().stream().filter(id -> id.contains("_"));
    }

    private Optional<String> any(Stream<String> ids) {
        List<String> all = ids.collect(Collectors.toCollection(ArrayList::new));
        return all.isEmpty() ? Optional.empty() : Optional.of(one(all));
    }

    private static Stream<String> columns(TableBlock table) {
        return table == null ? Stream.empty() : table.columns().stream().map(ReportColumn::id);
    }

    private static Stream<String> levels(TableBlock table) {
        return table == null ? Stream.empty() : table.levels().stream().map(ReportLevel::id);
    }

    private static Stream<String> levelsOfNumbers(Report report, EditScope scope) {
        return EditOffers.of(report, scope).levels().stream()
                .filter(LevelChoices::classes)
                .map(LevelChoices::level);
    }

    private static Stream<String> numbers(DatasetModel dataset) {
        return dataset.rowNames().stream()
                .filter(id -> dataset.typeOf(id).orElseThrow().isNumber());
    }

    private static Stream<String> totals(TableBlock table) {
        return table == null ? Stream.empty() : table.totals().stream().map(ReportTotal::id);
    }

    private static Stream<String> figures(ReportBlock block) {
        return block instanceof FiguresBlock figures
                ? figures.figures().stream().map(ReportFigure::id)
                : Stream.empty();
    }

    private static Stream<String> highlights(ReportBlock block) {
        return switch (block) {
            case TableBlock table -> table.highlights().stream().map(ReportHighlight::id);
            case FiguresBlock figures ->
                figures.highlights().orElse(List.of()).stream().map(ReportHighlight::id);
            default -> Stream.empty();
        };
    }

    private static Stream<String> filters(Report report, ReportBlock block) {
        return Stream.concat(report.filters().stream(), block.ownFilters().stream())
                .flatMap(ReportFilter::withParts)
                .map(ReportFilter::id);
    }
}
