package org.grammatus.core.plan;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.grammatus.core.choice.Align;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.definition.Checked;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
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

    private static final String BLOCK = "/blocks/0";
    /** What a row shows in a column of totals alone; a number, since totals mostly are. */
    private static final Typed NO_VALUE = new Typed.Constant(new Scalar.Null(Type.INTEGER));

    private final Checked<Report> checked;
    private final Report report;
    private final DatasetModel dataset;
    private final Problems problems = new Problems();
    private final PlanNames names;
    private final Homes homes;
    private final Lookups lookups;
    private final PlanExpressions expressions;
    private final AskedPeriods asked;

    private Planner(Checked<Report> checked, DatasetModel dataset, List<ResolvedPrompt> prompts, RunContext context) {
        this.checked = checked;
        this.report = checked.document().orElseThrow();
        this.dataset = dataset;
        this.names = new PlanNames(dataset, levels(report), prompts, context.businessDate());
        this.homes = new Homes(dataset);
        this.lookups = new Lookups(dataset, names);
        this.expressions = new PlanExpressions(names, lookups, problems);
        this.asked = new AskedPeriods(report, prompts);
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
        List<ResolvedPrompt> prompts = answers.resolve(report.prompts(), context, dataset, problems);
        return new Planner(checked, dataset, prompts, context).plan(prompts, context, problems);
    }

    /** The names of keys that were chosen are read, too, so that the answers can be said in words. */
    private void noteNames(List<ResolvedPrompt> prompts) {
        prompts.stream()
                .filter(prompt -> !(prompt.choice() instanceof Scalar.Null))
                .flatMap(prompt -> prompt.prompt().field().stream())
                .flatMap(field -> names.field(field, true).stream())
                .forEach(lookups::nameOf);
    }

    /** Whether a field that is named outside expressions is there; notes it if not. */
    private boolean known(String pointer, Optional<String> field) {
        boolean missing = field.isPresent() && !dataset.rowNames().contains(field.get());
        if (missing) {
            problems.error(
                    pointer + "/field",
                    "unknown field \"" + field.get() + "\"" + Suggestion.inWords(field.get(), dataset.rowNames()));
        }
        return !missing;
    }

    private Plan plan(List<ResolvedPrompt> prompts, RunContext context, Problems ofAnswers) {
        ReportBlock block = report.blocks().getFirst();
        for (int i = 0; i < report.prompts().size(); i++) {
            known("/prompts/" + i, report.prompts().get(i).field());
        }
        noteNames(prompts);
        report.zone().filter(zone -> RunContext.zone(zone).isEmpty()).ifPresent(this::unknownZone);
        List<Plan.RowFilter> filters = new ArrayList<>();
        for (int i = 0; i < report.filters().size(); i++) {
            filter("/filters/" + i, report.filters().get(i)).ifPresent(filters::add);
        }
        LevelPlanning levelPlanning = new LevelPlanning(dataset, names, lookups, problems, expressions, asked);
        List<Plan.Level> levels = active(BLOCK + "/levels", block.levels(), ReportLevel::off, levelPlanning::level);
        List<Plan.Column> columns = active(
                BLOCK + "/columns",
                block.columns(),
                ReportColumn::off,
                (pointer, column) -> column(pointer, column, levels));
        List<Plan.Total> totals = new ArrayList<>();
        TotalPlanning totalPlanning =
                new TotalPlanning(dataset, names, problems, expressions, asked, context.businessDate());
        for (int i = 0; i < block.totals().size(); i++) {
            totalPlanning
                    .total(BLOCK + "/totals/" + i, block.totals().get(i), levels, columns)
                    .ifPresent(totals::add);
        }
        checkGrid(totals);
        List<Integer> counted = new ArrayList<>();
        for (int i = 0; i < block.counts().size(); i++) {
            counted(BLOCK + "/counts/" + i, block.counts().get(i)).ifPresent(counted::add);
        }
        boolean printsRows = block.rows().shown() && !columns.isEmpty();
        List<Plan.Highlight> highlights = active(
                BLOCK + "/highlights",
                block.highlights(),
                ReportHighlight::off,
                (pointer, rule) -> highlight(pointer, rule, printsRows));
        List<Plan.Term> rowOrder =
                expressions.rowTerms(BLOCK + "/rows/order", block.rows().order());
        report.page().header().ifPresent(text -> problems.collect("/page/header", () -> PageText.parse(text), null));
        report.page().footer().ifPresent(text -> problems.collect("/page/footer", () -> PageText.parse(text), null));
        problems.addAll(ofAnswers.found());
        if (problems.hasErrors() || !checked.faults().isEmpty()) {
            throw new ProblemException(checked.with(problems.found()).faults());
        }
        problems.addAll(Advice.on(columns, totals, dataset));
        return new Plan(
                report,
                dataset,
                context,
                prompts,
                List.copyOf(filters),
                levels,
                columns,
                List.copyOf(totals),
                List.copyOf(counted),
                highlights,
                rowOrder,
                names.used(),
                problems.found());
    }

    private void unknownZone(String zone) {
        problems.error(
                "/zone",
                "unknown time zone \"" + zone + "\", expected an IANA name such as Europe/Berlin"
                        + Suggestion.inWords(zone, ZoneId.getAvailableZoneIds()));
    }

    /** The levels that are switched on, outermost first. */
    private static List<Names.Level> levels(Report report) {
        return report.blocks().getFirst().levels().stream()
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

    private Optional<Plan.RowFilter> filter(String pointer, ReportFilter filter) {
        boolean whole = !checked.isWrong(pointer)
                && (filter.kind() == FilterKind.EXPRESSION || !checked.isWrongInside(pointer));
        if (filter.off().orElse(false) || !known(pointer, filter.field()) || !whole) {
            return Optional.empty();
        }
        String at = switch (filter.kind()) {
            case EXPRESSION -> pointer + "/where";
            case PERIOD -> pointer + "/field";
            case CONDITION -> filter.prompt().isPresent() ? pointer + "/prompt" : pointer;
        };
        Problems own = new Problems();
        Optional<Plan.RowFilter> planned = own.collect(at, () -> condition(filter), Optional.<Plan.RowFilter>empty());
        // The expression of a built filter is ours: a place in it would tell its author nothing.
        boolean typed = filter.kind() == FilterKind.EXPRESSION;
        own.found().forEach(problem -> problems.add(typed ? problem : problem.withoutPosition()));
        return planned;
    }

    private Optional<Plan.RowFilter> condition(ReportFilter filter) {
        Expression condition = ExpressionParser.parse(FilterText.of(filter, dataset), names.fieldLabels());
        return Typing.restriction(condition, names, Typing.Place.ROW)
                .map(left -> new Plan.RowFilter(filter.id(), left));
    }

    /** A rule is about the rows that are printed, unless it adds up what it does not say the group of. */
    private Plan.Highlight highlight(String pointer, ReportHighlight highlight, boolean printsRows) {
        boolean[] scope = new boolean[1];
        Typed when = problems.collect(
                pointer + "/when",
                () -> {
                    Expression parsed = ExpressionParser.parse(highlight.when(), names.fieldLabels());
                    scope[0] = printsRows ? Typing.aggregatesItsPlace(parsed, names) : Typing.aggregates(parsed, names);
                    return Typing.condition(parsed, names, scope[0] ? Typing.Place.SCOPE : Typing.Place.CELL);
                },
                PlanExpressions.NOTHING);
        return new Plan.Highlight(highlight, pointer, when, scope[0]);
    }

    private Plan.Column column(String pointer, ReportColumn column, List<Plan.Level> levels) {
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
        return new Plan.Column(column, pointer, value, home, format, align, onceIn);
    }

    /** Two totals cannot be printed in one cell. */
    private void checkGrid(List<Plan.Total> totals) {
        for (int i = 0; i < totals.size(); i++) {
            for (int j = 0; j < i; j++) {
                Plan.Total a = totals.get(j);
                Plan.Total b = totals.get(i);
                boolean meet = a.column() == b.column()
                        && b.places().entrySet().stream()
                                .anyMatch(p -> p.getValue() == a.places().get(p.getKey()));
                if (meet) {
                    problems.error(
                            b.pointer() + "/cells",
                            "stands in a cell that \"" + a.definition().id()
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
