package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.grammatus.core.choice.Cover;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportField;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.RowsPlan;
import org.grammatus.core.plan.RunInputs;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.problem.Problems;

/**
 * What all parts of a block are planned over: the names that its expressions may use, the filters that reach it, and the place where what
 * is wrong with it is noted.
 */
final class BlockScope {

    final String pointer;
    final ReportBlock block;
    final DatasetModel dataset;
    final RunInputs inputs;
    final Problems problems = new Problems();
    final PlanNames names;
    final Homes homes;
    final Lookups lookups;
    final PlanExpressions expressions;
    final AskedPeriods asked;

    private final Checked<Report> checked;
    private final List<ReportPrompt> prompts;
    /** The report's dataset, its fields called as the report calls them. */
    private final DatasetModel main;

    private final ReachedFilters reached;
    private final List<FilterPlan> filters;
    private final Map<String, FigureUnit> units = new HashMap<>();

    /**
     * @param index of the block in the report
     * @param main the report's dataset
     */
    BlockScope(Checked<Report> checked, int index, DatasetModel own, DatasetModel main, RunInputs inputs) {
        Report report = checked.document().orElseThrow();
        this.checked = checked;
        this.prompts = report.prompts();
        this.block = report.blocks().get(index);
        this.pointer = "/blocks/" + index;
        List<ReportField> said = new ArrayList<>(report.fields().orElse(List.of()));
        this.main = main.printedAs(List.copyOf(said));
        said.addAll(block.fields().orElse(List.of()));
        this.dataset = own.printedAs(nearest(said));
        said.forEach(field -> field.unit().ifPresent(unit -> units.put(field.id(), unit)));
        this.inputs = inputs;
        this.names = new PlanNames(
                dataset, levels(block), inputs.prompts(), inputs.context().businessDate());
        this.homes = new Homes(dataset);
        this.lookups = new Lookups(dataset, names);
        this.expressions = new PlanExpressions(names, lookups, problems);
        this.reached = ReachedFilters.of(report, index, own, main);
        this.asked = new AskedPeriods(reached.all(), inputs.prompts());
        noteNames();
        this.filters = filters();
    }

    /** What is said of each field by whoever is nearest: of two the later, and of the earlier what the later leaves open. */
    private static List<ReportField> nearest(List<ReportField> said) {
        Map<String, ReportField> byId = new LinkedHashMap<>();
        said.forEach(field -> byId.merge(
                field.id(),
                field,
                (far, near) -> new ReportField(
                        near.id(),
                        near.label().or(far::label),
                        near.format().or(far::format),
                        near.unit().or(far::unit))));
        return List.copyOf(byId.values());
    }

    /** The levels that are switched on, outermost first. */
    private static List<Names.Level> levels(ReportBlock block) {
        return block instanceof TableBlock table
                ? table.levels().stream()
                        .filter(level -> !level.off().orElse(false))
                        .map(level -> new Names.Level(level.id(), level.name()))
                        .toList()
                : List.of();
    }

    /** What figures of an expression are counted in, as the report says of its field. */
    Optional<FigureUnit> unit(Typed value) {
        return named(value).map(units::get);
    }

    /** What an expression by itself is called; none for what is computed on the spot. */
    Optional<String> label(Typed value) {
        return named(value)
                .map(id -> dataset.fields().containsKey(id)
                        ? dataset.field(id).label()
                        : dataset.named(id).label());
    }

    /** Id of the field or measure that an expression is, or adds up. */
    private static Optional<String> named(Typed value) {
        return switch (value) {
            case Typed.Field f -> Optional.of(f.id());
            case Typed.Named n -> Optional.of(n.id());
            case Typed.Called c -> named(c.name());
            case Typed.Aggregate a
            when a.function() != AggregateFunction.COUNT -> a.argument().flatMap(BlockScope::named);
            default -> Optional.empty();
        };
    }

    /** The facts of a block that shows grand totals alone. */
    TablePlan facts(List<ColumnPlan> columns, List<TotalPlan> totals) {
        return facts(List.of(), columns, totals, List.of(), Cover.SHOWN, Rounding.PRINTED, List.of(), RowsPlan.NONE);
    }

    /** The facts of a block, its conditions and what it says of them included. */
    TablePlan facts(
            List<LevelPlan> levels,
            List<ColumnPlan> columns,
            List<TotalPlan> totals,
            List<Integer> counted,
            Cover cover,
            Rounding rounding,
            List<HighlightPlan> highlights,
            RowsPlan rows) {
        return new TablePlan(
                inputs,
                block.id(),
                pointer,
                block.title(),
                block.note(),
                reachInWords(),
                dataset,
                filters,
                levels,
                columns,
                List.copyOf(totals),
                List.copyOf(counted),
                cover,
                rounding,
                highlights,
                rows,
                names.used());
    }

    /** The names of keys that were chosen are read, too, so that the answers can be said in words. */
    private void noteNames() {
        inputs.prompts().stream()
                .filter(prompt -> !prompt.choices().isEmpty())
                .flatMap(prompt -> prompt.field().stream())
                .flatMap(field -> names.field(field, true).stream())
                .forEach(lookups::nameOf);
    }

    /** What narrows the block beyond the report, and what of the report does not reach it. */
    private List<String> reachInWords() {
        List<String> words = new ArrayList<>();
        String only = reached.beyond().stream()
                .map(i -> reached.filters().get(i).filter())
                .filter(filter -> !filter.isOff())
                .map(filter -> FilterWords.of(filter, dataset, inputs))
                .collect(Collectors.joining(" · "));
        if (!only.isEmpty()) {
            words.add("Only " + only);
        }
        String missed = reached.missed().stream()
                .map(filter -> FilterWords.of(filter, main, inputs))
                .collect(Collectors.joining(" · "));
        if (!missed.isEmpty()) {
            words.add("Not narrowed by " + missed);
        }
        return List.copyOf(words);
    }

    private List<FilterPlan> filters() {
        List<FilterPlan> plans = new ArrayList<>();
        for (ReachedFilters.Reached each : reached.filters()) {
            filter(each.pointer(), each.filter()).ifPresent(plans::add);
        }
        return List.copyOf(plans);
    }

    /**
     * The conditions where other days are asked for than usual.
     *
     * @param date id of the date field that tells the time
     * @param prompt name of the period prompt that asks
     */
    List<FilterPlan> conditions(String date, String prompt) {
        Set<String> usual = reached.all().stream()
                .filter(filter ->
                        filter instanceof ReportFilter.OfPeriod p && p.field().equals(date))
                .map(ReportFilter::id)
                .collect(Collectors.toSet());
        List<FilterPlan> others = new ArrayList<>(
                filters.stream().filter(filter -> !usual.contains(filter.id())).toList());
        condition(new ReportFilter.OfPeriod(
                        "days-of-" + prompt, date, prompt, Optional.empty(), Optional.empty(), Optional.empty()))
                .ifPresent(others::add);
        return List.copyOf(others);
    }

    private Optional<FilterPlan> filter(String at, ReportFilter filter) {
        boolean typed = filter instanceof ReportFilter.Typed;
        boolean whole = !checked.isWrong(at) && (typed || !checked.isWrongInside(at));
        if (filter.isOff() || !knownField(at, filter) || !whole) {
            return Optional.empty();
        }
        String place = switch (filter) {
            case ReportFilter.Typed t -> at + "/where";
            case ReportFilter.OfPeriod p -> at + "/field";
            case ReportFilter.Condition c -> c.prompt().isPresent() ? at + "/prompt" : at;
        };
        Problems own = new Problems();
        Optional<FilterPlan> plan = own.collect(place, () -> condition(filter), Optional.<FilterPlan>empty());
        // The expression of a built filter is ours: a place in it would tell its author nothing.
        own.found().forEach(problem -> problems.add(typed ? problem : problem.withoutPosition()));
        return plan;
    }

    private boolean knownField(String at, ReportFilter filter) {
        return switch (filter) {
            case ReportFilter.Typed t -> true;
            case ReportFilter.OfPeriod p -> known(at + "/field", p.field());
            case ReportFilter.Condition c -> known(at + "/field", c.field());
        };
    }

    private boolean known(String at, String field) {
        return Known.field(at, field, dataset, problems);
    }

    private Optional<FilterPlan> condition(ReportFilter filter) {
        Expression condition = ExpressionParser.parse(FilterText.of(filter, dataset, prompts), names.fieldLabels());
        Optional<String> period =
                filter instanceof ReportFilter.OfPeriod of ? Optional.of(of.prompt()) : Optional.empty();
        return Typing.restriction(condition, names, Typing.Place.ROW)
                .map(left -> new FilterPlan(filter.id(), left, period, FilterWords.of(filter, dataset, inputs)));
    }
}
