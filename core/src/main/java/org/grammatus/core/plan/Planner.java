package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.definition.BlockRow;
import org.grammatus.core.definition.Checked;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Definitions;
import org.grammatus.core.definition.PageSetup;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.ReportRows;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** Makes a plan from a definition and answers. Parts that are switched off take no part in it. */
public final class Planner {

    /** What a row shows in a column of totals alone; a number, since totals mostly are. */
    private static final Typed NO_VALUE = new Typed.Constant(new Scalar.Null(Type.INTEGER));

    private final Checked<Report> checked;
    private final TableBlock block;
    /** Where the block stands in the definition. */
    private final String pointer;

    private final DatasetModel dataset;
    private final RunInputs inputs;
    private final Problems problems = new Problems();
    private final PlanNames names;
    private final Homes homes;
    private final Lookups lookups;
    private final PlanExpressions expressions;
    private final AskedPeriods asked;

    /** @param index of the table among the report's blocks */
    private Planner(Checked<Report> checked, int index, TableBlock block, DatasetModel dataset, RunInputs inputs) {
        Report report = checked.document().orElseThrow();
        this.checked = checked;
        this.block = block;
        this.pointer = "/blocks/" + index;
        this.dataset = dataset;
        this.inputs = inputs;
        this.names = new PlanNames(
                dataset, levels(this.block), inputs.prompts(), inputs.context().businessDate());
        this.homes = new Homes(dataset);
        this.lookups = new Lookups(dataset, names);
        this.expressions = new PlanExpressions(names, lookups, problems);
        List<ReportFilter> all = new ArrayList<>(report.filters());
        all.addAll(block.ownFilters());
        this.asked = new AskedPeriods(all, inputs.prompts());
    }

    /**
     * Plans a run.
     *
     * @throws ProblemException with every fault of the answers and the definition
     */
    public static Plan plan(Report report, DatasetModel dataset, Answers answers, RunContext context) {
        return plan(Checked.sound(report), dataset, answers, context);
    }

    /**
     * Plans a run of a document that may be wrong, so that all that is wrong with it is told at once.
     *
     * @throws ProblemException with every fault of the document, the answers and what the document says of its dataset
     */
    public static Plan plan(Checked<Report> checked, DatasetModel dataset, Answers answers, RunContext context) {
        if (checked.document().filter(report -> !report.blocks().isEmpty()).isEmpty()) {
            throw new ProblemException(checked.faults());
        }
        Problems problems = new Problems();
        Report report = checked.document().get();
        List<ResolvedPrompt> prompts =
                answers.resolve(report.prompts(), context, dataset, ULocale.forLanguageTag(report.locale()), problems);
        List<Problem> ofAnswers = problems.found();
        Problems found = new Problems();
        RunInputs inputs = inputs(report, prompts, context, dataset, found);
        List<BlockPlan> blocks = new ArrayList<>();
        for (int i = 0; i < report.blocks().size(); i++) {
            ReportBlock block = report.blocks().get(i);
            if (!block.off().orElse(false)) {
                Planner planner = switch (block) {
                    case TableBlock table -> new Planner(checked, i, table, dataset, inputs);
                };
                blocks.add(planner.table(report.filters()));
                found.addAll(planner.problems.found());
            }
        }
        found.addAll(ofAnswers);
        if (found.hasErrors() || !checked.faults().isEmpty()) {
            throw new ProblemException(checked.with(found.found()).faults());
        }
        for (BlockPlan planned : blocks) {
            switch (planned) {
                case TablePlan table -> found.addAll(Advice.on(table.columns(), table.totals(), dataset));
            }
        }
        return new Plan(inputs, blocks, arrangement(report, blocks), found.found());
    }

    /** The blocks in rows, those that are switched off left out; who has no place stands below the others. */
    private static List<BlockRowPlan> arrangement(Report report, List<BlockPlan> blocks) {
        List<String> left = new ArrayList<>(blocks.stream().map(BlockPlan::id).toList());
        List<BlockRowPlan> rows = new ArrayList<>();
        for (BlockRow row : report.arrangement().orElse(List.of())) {
            List<BlockRowPlan.Place> places = row.blocks().stream()
                    .filter(place -> left.remove(place.block()))
                    .map(place ->
                            new BlockRowPlan.Place(place.block(), place.share().orElse(1)))
                    .toList();
            if (!places.isEmpty()) {
                rows.add(new BlockRowPlan(places, row.newPage().orElse(false)));
            }
        }
        left.forEach(id -> rows.add(new BlockRowPlan(List.of(new BlockRowPlan.Place(id, 1)), false)));
        return List.copyOf(rows);
    }

    /** What all blocks are made with; what is wrong with it is noted. */
    private static RunInputs inputs(
            Report report, List<ResolvedPrompt> prompts, RunContext context, DatasetModel dataset, Problems problems) {
        for (int i = 0; i < report.prompts().size(); i++) {
            if (report.prompts().get(i) instanceof ReportPrompt.Choice choice) {
                known("/prompts/" + i, choice.field(), dataset, problems);
            }
        }
        report.zone()
                .filter(zone -> RunContext.zone(zone).isEmpty())
                .ifPresent(zone -> problems.error(
                        "/zone",
                        "unknown time zone \"" + zone + "\", expected an IANA name such as Europe/Berlin"
                                + Suggestion.inWords(zone, ZoneId.getAvailableZoneIds())));
        PageSetup page = report.page();
        return new RunInputs(
                report.id(),
                report.title(),
                report.description(),
                report.dataset(),
                ULocale.forLanguageTag(report.locale()),
                context,
                prompts,
                new PagePlan(
                        page.paper(),
                        page.orientation(),
                        page.margins().top(),
                        page.margins().right(),
                        page.margins().bottom(),
                        page.margins().left(),
                        pageText("/page/header", page.header(), problems),
                        pageText("/page/footer", page.footer(), problems)),
                Definitions.write(report));
    }

    private static Optional<PageText> pageText(String pointer, Optional<String> text, Problems problems) {
        return text.flatMap(
                t -> problems.collect(pointer, () -> Optional.of(PageText.parse(t)), Optional.<PageText>empty()));
    }

    /** The names of keys that were chosen are read, too, so that the answers can be said in words. */
    private void noteNames() {
        inputs.prompts().stream()
                .filter(prompt -> !(prompt.choice() instanceof Scalar.Null))
                .flatMap(prompt -> prompt.field().stream())
                .flatMap(field -> names.field(field, true).stream())
                .forEach(lookups::nameOf);
    }

    /** Whether a field that is named outside expressions is there; notes it if not. */
    private static boolean known(String pointer, String field, DatasetModel dataset, Problems problems) {
        boolean known = dataset.rowNames().contains(field);
        if (!known) {
            problems.error(
                    pointer + "/field",
                    "unknown field \"" + field + "\"" + Suggestion.inWords(field, dataset.rowNames()));
        }
        return known;
    }

    private TablePlan table(List<ReportFilter> ofReport) {
        noteNames();
        List<FilterPlan> filters = new ArrayList<>();
        for (int i = 0; i < ofReport.size(); i++) {
            filter("/filters/" + i, ofReport.get(i)).ifPresent(filters::add);
        }
        for (int i = 0; i < block.ownFilters().size(); i++) {
            filter(pointer + "/filters/" + i, block.ownFilters().get(i)).ifPresent(filters::add);
        }
        LevelPlanning levelPlanning = new LevelPlanning(dataset, names, lookups, problems, expressions, asked);
        List<LevelPlan> levels = active(pointer + "/levels", block.levels(), ReportLevel::off, levelPlanning::level);
        List<ColumnPlan> columns = active(
                pointer + "/columns", block.columns(), ReportColumn::off, (at, column) -> column(at, column, levels));
        List<TotalPlan> totals = new ArrayList<>();
        TotalPlanning totalPlanning = new TotalPlanning(
                dataset, names, problems, expressions, asked, inputs.context().businessDate());
        for (int i = 0; i < block.totals().size(); i++) {
            totalPlanning
                    .total(pointer + "/totals/" + i, block.totals().get(i), levels, columns)
                    .ifPresent(totals::add);
        }
        checkGrid(totals);
        List<Integer> counted = new ArrayList<>();
        for (int i = 0; i < block.counts().size(); i++) {
            counted(pointer + "/counts/" + i, block.counts().get(i)).ifPresent(counted::add);
        }
        ReportRows rows = block.rows();
        boolean printsRows = rows.shown() && !columns.isEmpty();
        List<HighlightPlan> highlights = active(
                pointer + "/highlights",
                block.highlights(),
                ReportHighlight::off,
                (at, rule) -> highlight(at, rule, printsRows));
        RowsPlan rowsPlan = new RowsPlan(
                rows.shown(),
                expressions.rowTerms(pointer + "/rows/order", rows.order()),
                rows.limit(),
                rows.percent(),
                rows.others().orElse(false));
        return new TablePlan(
                inputs,
                block.id(),
                pointer,
                block.title(),
                block.note(),
                dataset,
                List.copyOf(filters),
                levels,
                columns,
                List.copyOf(totals),
                List.copyOf(counted),
                block.cover(),
                block.rounding().orElse(Rounding.PRINTED),
                highlights,
                rowsPlan,
                names.used());
    }

    /** The levels that are switched on, outermost first. */
    private static List<Names.Level> levels(TableBlock block) {
        return block.levels().stream()
                .filter(level -> !level.off().orElse(false))
                .map(level -> new Names.Level(level.id(), level.name()))
                .toList();
    }

    /** Plans the parts that are switched on, each with its pointer. */
    private static <D, P> List<P> active(
            String pointer, List<D> parts, Function<D, Optional<Boolean>> off, BiFunction<String, D, P> plan) {
        List<P> planned = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            if (!off.apply(parts.get(i)).orElse(false)) {
                planned.add(plan.apply(pointer + "/" + i, parts.get(i)));
            }
        }
        return List.copyOf(planned);
    }

    private Optional<FilterPlan> filter(String pointer, ReportFilter filter) {
        boolean typed = filter instanceof ReportFilter.Typed;
        boolean whole = !checked.isWrong(pointer) && (typed || !checked.isWrongInside(pointer));
        if (filter.isOff() || !knownField(pointer, filter) || !whole) {
            return Optional.empty();
        }
        String at = switch (filter) {
            case ReportFilter.Typed t -> pointer + "/where";
            case ReportFilter.OfPeriod p -> pointer + "/field";
            case ReportFilter.Condition c -> c.prompt().isPresent() ? pointer + "/prompt" : pointer;
        };
        Problems own = new Problems();
        Optional<FilterPlan> planned = own.collect(at, () -> condition(filter), Optional.<FilterPlan>empty());
        // The expression of a built filter is ours: a place in it would tell its author nothing.
        own.found().forEach(problem -> problems.add(typed ? problem : problem.withoutPosition()));
        return planned;
    }

    private boolean knownField(String pointer, ReportFilter filter) {
        return switch (filter) {
            case ReportFilter.Typed t -> true;
            case ReportFilter.OfPeriod p -> known(pointer, p.field(), dataset, problems);
            case ReportFilter.Condition c -> known(pointer, c.field(), dataset, problems);
        };
    }

    private Optional<FilterPlan> condition(ReportFilter filter) {
        Expression condition = ExpressionParser.parse(FilterText.of(filter, dataset), names.fieldLabels());
        Optional<String> period =
                filter instanceof ReportFilter.OfPeriod asked ? Optional.of(asked.prompt()) : Optional.empty();
        return Typing.restriction(condition, names, Typing.Place.ROW)
                .map(left -> new FilterPlan(filter.id(), left, period));
    }

    private HighlightPlan highlight(String pointer, ReportHighlight rule, boolean printsRows) {
        HighlightPlan wrong = new HighlightPlan(
                rule.id(), rule.label(), rule.look(), pointer, rule.when(), PlanExpressions.NOTHING, false);
        return problems.collect(
                pointer + "/when",
                () -> HighlightPlanning.planned(
                        rule.id(), rule.label(), rule.look(), pointer, rule.when(), names, printsRows),
                wrong);
    }

    private ColumnPlan column(String pointer, ReportColumn column, List<LevelPlan> levels) {
        Typed value = column.value()
                .map(text -> lookups.shown(expressions.typed(pointer + "/value", text, Typing.Place.CELL)))
                .orElse(NO_VALUE);
        Align align = column.align().orElse(value.type().isNumber() ? Align.END : Align.START);
        String format = column.format().orElseGet(() -> Formats.of(value, dataset));
        // What a column of totals alone is printed by is checked with each of them.
        if (column.value().isPresent()) {
            Formats.check(pointer + "/format", format, value.type(), problems);
        }
        Optional<Integer> onceIn = column.once().flatMap(level -> TotalPlanning.depth(level, levels));
        // What looks at groups around a row differs from row to row.
        int home = value.looksOver() ? DatasetModel.GRAIN : homes.orGrain(value);
        return new ColumnPlan(
                column.id(),
                column.label(),
                pointer,
                column.value(),
                value,
                home,
                format,
                column.format().isPresent(),
                column.unit(),
                align,
                column.width(),
                onceIn);
    }

    /** Two totals cannot be printed in one cell. */
    private void checkGrid(List<TotalPlan> totals) {
        for (int i = 0; i < totals.size(); i++) {
            for (int j = 0; j < i; j++) {
                TotalPlan a = totals.get(j);
                TotalPlan b = totals.get(i);
                boolean meet = a.column() == b.column()
                        && b.places().entrySet().stream()
                                .anyMatch(p -> p.getValue() == a.places().get(p.getKey()));
                if (meet) {
                    problems.error(
                            b.pointer() + "/cells",
                            "stands in a cell that \"" + a.id()
                                    + "\" has already; choose another column, level or place");
                }
            }
        }
    }

    private Optional<Integer> counted(String pointer, String table) {
        Optional<Integer> number = dataset.tableNumber(table);
        if (number.isEmpty()) {
            List<String> ids = dataset.definition().tables().stream()
                    .map(Dataset.Table::id)
                    .toList();
            problems.error(
                    pointer,
                    "unknown table \"" + table + "\", expected one of " + String.join(", ", ids)
                            + Suggestion.inWords(table, ids));
        }
        return number;
    }
}
