package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.value.Type;

/**
 * A field that a reader may narrow a table by: one whose values it prints, or that its author set beside it. No other: what a report does
 * not show, it does not tell either.
 *
 * @param label what the page calls it
 * @param kind what is answered: values of a text or of a yes or no, two ends of a number, days of a date
 * @param parts ids of the columns and levels that print it; none where it is only set beside the report
 * @param beside whether its author set it beside the report
 */
public record PrintedField(String id, String label, PromptType kind, List<String> parts, boolean beside) {

    /** The fields of a table: those beside it first, then in the order of its levels and columns. */
    public static List<PrintedField> of(TablePlan table) {
        Map<String, List<String>> printed = new LinkedHashMap<>();
        DatasetModel dataset = table.dataset();
        List<String> beside = dataset.includes(table.inputs().datasets().main())
                ? table.inputs().beside()
                : List.of();
        beside.forEach(field -> printed.put(field, new ArrayList<>()));
        for (LevelPlan level : table.levels()) {
            note(level.naming().label().orElse(level.keys().value()), level.id(), dataset, printed);
        }
        for (ColumnPlan column : table.columns()) {
            column.text().ifPresent(text -> note(column.value(), column.id(), dataset, printed));
        }
        return printed.entrySet().stream()
                .flatMap(each -> dataset.typeOf(each.getKey()).stream()
                        .map(type -> new PrintedField(
                                each.getKey(),
                                label(each.getKey(), each.getValue(), table),
                                kind(type),
                                List.copyOf(each.getValue()),
                                beside.contains(each.getKey()))))
                .toList();
    }

    /** As the first column that prints it is headed, or its level is called; else as the dataset calls it. */
    private static String label(String field, List<String> parts, TablePlan table) {
        Stream<String> ofColumns = table.columns().stream()
                .filter(column -> parts.contains(column.id()))
                .map(ColumnPlan::label);
        Stream<String> ofLevels = table.levels().stream()
                .filter(level -> level.keys().coarsening().isEmpty() && parts.contains(level.id()))
                .map(LevelPlan::name);
        return Stream.concat(ofColumns, ofLevels)
                .filter(label -> !label.isBlank())
                .findFirst()
                .orElseGet(() -> FilterWords.label(field, table.dataset()));
    }

    private static void note(Typed value, String part, DatasetModel dataset, Map<String, List<String>> printed) {
        field(value, dataset)
                .ifPresent(id ->
                        printed.computeIfAbsent(id, none -> new ArrayList<>()).add(part));
    }

    private static Optional<String> field(Typed value, DatasetModel dataset) {
        return switch (value) {
            case Typed.Field field -> Optional.of(field.id());
            case Typed.Named named when dataset.rowNames().contains(named.id()) -> Optional.of(named.id());
            case Typed.LabelledKey called -> field(called.name(), dataset);
            default -> Optional.empty();
        };
    }

    private static PromptType kind(Type type) {
        return type.isNumber() ? PromptType.NUMBER_RANGE : type.isTime() ? PromptType.PERIOD : PromptType.CHOICES;
    }

    /** What keeps the rows with the values that a prompt asks for. */
    ReportFilter filter(String prompt) {
        Optional<List<String>> none = Optional.empty();
        if (kind == PromptType.PERIOD) {
            return new ReportFilter.OfPeriod(id, id, prompt, none, Optional.empty(), Optional.empty());
        }
        return new ReportFilter.Condition(
                id,
                id,
                kind == PromptType.NUMBER_RANGE ? FilterComparison.BETWEEN : FilterComparison.IS,
                none,
                Optional.empty(),
                Optional.empty(),
                Optional.of(prompt),
                none,
                Optional.empty(),
                Optional.empty());
    }

    /** What asks for the values that rows are narrowed to. */
    ReportPrompt prompt(String name) {
        Optional<String> none = Optional.empty();
        return switch (kind) {
            case PERIOD ->
                new ReportPrompt.OfPeriod(id, name, label, none, Optional.empty(), none, none, Optional.empty());
            case NUMBER_RANGE ->
                new ReportPrompt.Range(id, name, kind, label, none, Optional.empty(), none, none, Optional.empty());
            default ->
                new ReportPrompt.Choice(
                        id,
                        name,
                        kind,
                        label,
                        none,
                        Optional.empty(),
                        none,
                        none,
                        Optional.of(id),
                        Optional.empty(),
                        Optional.empty(),
                        none,
                        Optional.empty());
        };
    }
}
