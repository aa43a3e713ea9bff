package org.grammatus.core.edit;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.FilteredTotals;
import org.grammatus.core.edit.part.LevelChoices;
import org.grammatus.core.edit.part.LevelForm;
import org.grammatus.core.edit.part.PartNames;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.edit.part.PrintedFields;
import org.grammatus.core.edit.rule.BuiltRule;
import org.grammatus.core.edit.rule.CountableRule;
import org.grammatus.core.edit.rule.ReadyRules;
import org.grammatus.core.edit.rule.RuleChoices;

/**
 * What can be done next with the block that is worked on, whatever is wrong with it at present.
 *
 * @param ready by column, total or key figure: the rules that are ready for it
 * @param highlights by highlight: what its rule can be about
 * @param totals by total or key figure: its aggregate and the condition on its rows, where it has one
 * @param columns by column: the totals that can be made of what it shows
 * @param levels how each level can name and coarsen its groups
 * @param reaches what its highlights can mark
 * @param filters by filter over a field: the fields that it can be compared with
 * @param measures what groups can be compared and ordered by: the table's totals first, then the measures of its dataset
 */
public record EditOffers(
        List<Ready> ready,
        List<Rule> highlights,
        List<Filtered> totals,
        List<Column> columns,
        List<LevelChoices> levels,
        List<ReportHighlight.Place> reaches,
        List<Compared> filters,
        List<Measure> measures) {

    private static final String COUNT = "COUNT(*)";

    /** @param part id of the column, total or key figure */
    public record Ready(String part, List<ReadyRules.Offer> rules) {}

    /**
     * @param highlight its id
     * @param values what the rule can be about
     * @param built the comparison that it is; none where it says more
     * @param than what the value of that comparison can be compared with
     * @param countable whether what it marks can be counted in totals
     */
    public record Rule(
            String highlight,
            List<RuleChoices.Choice> values,
            Optional<BuiltRule> built,
            List<RuleChoices.Choice> than,
            boolean countable) {}

    /**
     * @param part id of the total or key figure
     * @param aggregate it without the condition on its rows
     */
    public record Filtered(String part, String aggregate, Optional<String> where) {}

    /** @param column its id */
    public record Column(String column, List<Proposals.Total> totals) {}

    /**
     * @param filter its id
     * @param others ids of the fields that its own can be compared with
     */
    public record Compared(String filter, List<String> others) {}

    /**
     * @param value an aggregate
     * @param label of the column or measure
     * @param printed whether it is a total of the table
     */
    public record Measure(String value, String label, boolean printed) {}

    /** What can be done in a scope. */
    public static EditOffers of(Report report, EditScope scope) {
        ReportBlock block = scope.worked(report);
        DatasetModel dataset = scope.dataset(report);
        Map<String, String> printed = new HashMap<>();
        List<Ready> ready = parts(block)
                .map(part -> new Ready(part, ReadyRules.of(part, block, report, dataset)))
                .filter(each -> !each.rules().isEmpty())
                .toList();
        return new EditOffers(
                ready,
                HighlightEdits.of(block).stream()
                        .map(rule -> rule(rule, new RuleChoices(report, block, rule, dataset, printed), dataset))
                        .toList(),
                filtered(block, dataset),
                block instanceof TableBlock table ? columns(report, table, dataset) : List.of(),
                block instanceof TableBlock table ? levels(table, dataset) : List.of(),
                HighlightReach.choices(block),
                compared(report, block, dataset),
                block instanceof TableBlock table ? measures(report, table, dataset) : List.of());
    }

    private static Stream<String> parts(ReportBlock block) {
        return switch (block) {
            case TableBlock table ->
                Stream.concat(
                        table.columns().stream().map(ReportColumn::id),
                        table.totals().stream().map(ReportTotal::id));
            case FiguresBlock figures -> figures.figures().stream().map(ReportFigure::id);
            case TextBlock text -> Stream.empty();
        };
    }

    private static Rule rule(ReportHighlight rule, RuleChoices choices, DatasetModel dataset) {
        Optional<BuiltRule> built = BuiltRule.of(rule.when(), choices);
        return new Rule(
                rule.id(),
                choices.values(),
                built,
                built.map(one -> choices.comparedWith(one.value())).orElse(List.of()),
                CountableRule.isCountable(rule, dataset));
    }

    private static List<Compared> compared(Report report, ReportBlock block, DatasetModel dataset) {
        return Stream.concat(report.filters().stream(), block.ownFilters().stream())
                .flatMap(ReportFilter::withParts)
                .flatMap(filter -> filter instanceof ReportFilter.Condition condition
                        ? Stream.of(new Compared(condition.id(), ComparedFilter.others(condition, dataset)))
                        : Stream.empty())
                .toList();
    }

    private static List<Filtered> filtered(ReportBlock block, DatasetModel dataset) {
        Map<String, String> values = switch (block) {
            case TableBlock table -> byId(table.totals(), ReportTotal::id, ReportTotal::value);
            case FiguresBlock figures -> byId(figures.figures(), ReportFigure::id, ReportFigure::value);
            case TextBlock text -> Map.of();
        };
        return values.entrySet().stream()
                .flatMap(each -> FilteredTotals.of(each.getValue(), dataset)
                        .map(total -> new Filtered(each.getKey(), total.aggregate(), total.where()))
                        .stream())
                .toList();
    }

    private static <T> Map<String, String> byId(List<T> parts, Function<T, String> id, Function<T, String> value) {
        return parts.stream().collect(Collectors.toMap(id, value, (a, b) -> a, LinkedHashMap::new));
    }

    private static List<Column> columns(Report report, TableBlock table, DatasetModel dataset) {
        // Every measure fits a column that is empty in rows.
        List<Proposals.Total> measures = measures(report, table, dataset).stream()
                .map(measure -> new Proposals.Total(measure.label(), measure.value(), Optional.empty()))
                .toList();
        return table.columns().stream()
                .map(column -> new Column(
                        column.id(),
                        column.value()
                                .filter(LevelForm::printsInRows)
                                .map(value -> totalsOf(value, dataset))
                                .orElse(measures)))
                .toList();
    }

    private static List<LevelChoices> levels(TableBlock table, DatasetModel dataset) {
        return table.levels().stream()
                .map(level -> LevelChoices.of(table, level, dataset))
                .toList();
    }

    private static List<Proposals.Total> totalsOf(String value, DatasetModel dataset) {
        return PrintedFields.fieldOf(value, dataset)
                .map(field -> Stream.concat(
                                Proposals.totals(field).stream(), Proposals.weighted(field, dataset).stream())
                        .toList())
                .orElseGet(() -> Proposals.totalsOf(value));
    }

    private static List<Measure> measures(Report report, TableBlock table, DatasetModel dataset) {
        PartNames names = new PartNames(report, table, dataset);
        Map<String, Measure> found = new LinkedHashMap<>();
        for (ReportTotal total : table.totals()) {
            String label = Parts.index(table.columns(), ReportColumn::id, total.column())
                    .map(at -> names.of(table, table.columns().get(at)))
                    .orElse(total.column());
            found.putIfAbsent(total.value(), new Measure(total.value(), label, true));
        }
        dataset.measures().stream()
                .map(measure -> Proposals.Subject.of(measure.id(), dataset))
                .forEach(measure -> Proposals.usual(measure)
                        .ifPresent(usual ->
                                found.putIfAbsent(usual.value(), new Measure(usual.value(), measure.label(), false))));
        if (found.isEmpty()) {
            found.put(COUNT, new Measure(COUNT, "Number of rows", false));
        }
        return List.copyOf(found.values());
    }
}
