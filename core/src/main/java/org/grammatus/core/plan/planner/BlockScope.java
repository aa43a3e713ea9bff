package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.layout.TableLayout;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportField;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.BlockHeading;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.PageFigure;
import org.grammatus.core.plan.ReadPlan;
import org.grammatus.core.plan.RowsPlan;
import org.grammatus.core.plan.RunInputs;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.plan.TotalsPlan;
import org.grammatus.core.plan.planner.condition.FilterScope;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.words.Words;

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

    /** The report's dataset, its fields called as the report calls them. */
    private final DatasetModel main;

    private final ReachedFilters reached;
    private final FilterPlanning planning;
    private final List<FilterPlan> filters;
    private final Map<String, FigureUnit> units = new HashMap<>();
    private List<PageFigure> pageFigures = List.of();

    /**
     * @param index of the block in the report
     * @param main the report's dataset
     */
    BlockScope(Checked<Report> checked, int index, DatasetModel own, DatasetModel main, RunInputs inputs) {
        Report report = checked.document().orElseThrow();
        this.block = report.blocks().get(index);
        this.pointer = "/blocks/" + index;
        List<ReportField> said = new ArrayList<>(report.fields().orElse(List.of()));
        this.main = main.in(inputs.style().figures().patterns()).printedAs(List.copyOf(said));
        said.addAll(block.fields().orElse(List.of()));
        this.dataset = own.in(inputs.style().figures().patterns()).printedAs(nearest(said));
        said.forEach(field -> field.unit().ifPresent(unit -> units.put(field.id(), unit)));
        this.inputs = inputs;
        this.names = new PlanNames(
                dataset,
                levels(block),
                inputs.prompts(),
                inputs.context().businessDate(),
                Optional.of(inputs.datasets()));
        this.homes = new Homes(dataset);
        this.lookups = new Lookups(dataset, names);
        this.expressions = new PlanExpressions(names, lookups, dataset.calendar(), problems);
        this.reached = ReachedFilters.of(report, index, own, main);
        this.asked = new AskedPeriods(reached.all(), inputs.prompts());
        noteNames();
        this.planning = new FilterPlanning(
                checked,
                reached,
                new FilterScope(dataset, report.prompts(), inputs.datasets()),
                names,
                inputs,
                problems);
        this.filters = planning.filters();
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

    /** Notes what texts at the edges of pages say of the block's rows, before it is planned. */
    void say(List<PageFigure> figures) {
        pageFigures = figures;
    }

    /** Whether it is a table of which rows are printed, or groups. */
    boolean isDetailed() {
        return block instanceof TableBlock table
                && (!levels(table).isEmpty()
                        || table.rows().shown()
                                && table.columns().stream()
                                        .anyMatch(column -> !column.off().orElse(false)));
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
            case Typed.LabelledKey c -> named(c.name());
            case Typed.Aggregate a
            when a.function() != AggregateFunction.COUNT -> a.argument().flatMap(BlockScope::named);
            default -> Optional.empty();
        };
    }

    /** The facts of a block that shows grand totals alone. */
    TablePlan facts(List<ColumnPlan> columns, List<TotalPlan> totals, List<HighlightPlan> highlights) {
        return facts(List.of(), columns, TotalsPlan.grand(totals), highlights, RowsPlan.NONE, TableLayout.PLAIN);
    }

    /** The facts of a block, its conditions and what it says of them included. */
    TablePlan facts(
            List<LevelPlan> levels,
            List<ColumnPlan> columns,
            TotalsPlan totalling,
            List<HighlightPlan> highlights,
            RowsPlan rows,
            TableLayout layout) {
        BlockHeading heading = new BlockHeading(
                block.id(), pointer, block.title(), block.note().map(text -> text("/note", text)), reachInWords());
        return new TablePlan(
                inputs,
                heading,
                new ReadPlan(dataset, filters, names.used()),
                levels,
                columns,
                totalling,
                highlights,
                rows,
                layout,
                pageFigures);
    }

    /** A text of the block about all of its rows. */
    TablePlan.GroupText text(String property, String text) {
        TablePlan.GroupText planned = new TextPlanning(names, dataset, problems).blockText(pointer + property, text);
        for (TablePlan.TextPart part : planned.parts()) {
            if (part instanceof TablePlan.TextPart.Figure figure) {
                expressions.requireAround(pointer + property, figure.value(), 0);
            }
        }
        return planned;
    }

    /** The names of keys that were chosen are read, too, so that the answers can be said in words. */
    private void noteNames() {
        inputs.prompts().stream()
                .filter(prompt -> !prompt.choices().isEmpty())
                .flatMap(prompt -> prompt.ownField().stream())
                .flatMap(field -> names.field(field, true).stream())
                .forEach(lookups::nameOf);
    }

    /** What narrows the block beyond the report, and what of the report does not reach it. */
    private List<String> reachInWords() {
        Words language = Words.of(inputs.locale());
        List<String> words = new ArrayList<>();
        String only = reached.beyond().stream()
                .map(i -> reached.filters().get(i).filter())
                .filter(ReportFilter::restricts)
                .map(filter -> FilterWords.of(filter, dataset, inputs))
                .collect(Collectors.joining(" · "));
        if (!only.isEmpty()) {
            words.add(language.only(only));
        }
        String missed = reached.missed().stream()
                .map(filter -> FilterWords.of(filter, main, inputs))
                .collect(Collectors.joining(" · "));
        if (!missed.isEmpty()) {
            words.add(language.notNarrowedBy(missed));
        }
        return List.copyOf(words);
    }

    /**
     * The conditions where other days are asked for than usual.
     *
     * @param date id of the date field that tells the time
     * @param prompt name of the period prompt that asks
     */
    List<FilterPlan> conditions(String date, String prompt) {
        return planning.conditions(date, prompt, filters);
    }
}
