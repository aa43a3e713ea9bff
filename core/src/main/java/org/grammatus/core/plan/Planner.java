package org.grammatus.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.expression.Unanswered;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** Makes a plan from a definition and answers. Parts that are switched off take no part in it. */
public final class Planner {

    private static final Typed NOTHING = new Typed.Constant(new Scalar.Null(Type.TEXT));
    private static final String BLOCK = "/blocks/0";

    private final Report report;
    private final DatasetModel dataset;
    private final Problems problems = new Problems();
    private final PlanNames names;
    private final Homes homes;

    private Planner(Report report, DatasetModel dataset, List<ResolvedPrompt> prompts, RunContext context) {
        this.report = report;
        this.dataset = dataset;
        this.names = new PlanNames(dataset, levels(report), prompts, context.businessDate());
        this.homes = new Homes(dataset);
    }

    /**
     * Plans a run.
     *
     * @throws org.grammatus.core.problem.ProblemException with every fault of the answers, or else of the definition
     */
    public static Plan plan(Report report, DatasetModel dataset, Answers answers, RunContext context) {
        List<ResolvedPrompt> prompts = answers.resolve(report.prompts(), context, dataset);
        return new Planner(report, dataset, prompts, context).plan(prompts, context);
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

    private Plan plan(List<ResolvedPrompt> prompts, RunContext context) {
        Report.Block block = report.blocks().getFirst();
        for (int i = 0; i < report.prompts().size(); i++) {
            known("/prompts/" + i, report.prompts().get(i).field());
        }
        List<Plan.RowFilter> filters = new ArrayList<>();
        for (int i = 0; i < report.filters().size(); i++) {
            filter("/filters/" + i, report.filters().get(i)).ifPresent(filters::add);
        }
        List<Plan.Level> levels = active(BLOCK + "/levels", block.levels(), Report.Level::off, this::level);
        List<Plan.Column> columns = active(
                BLOCK + "/columns",
                block.columns(),
                Report.Column::off,
                (pointer, column) -> column(pointer, column, levels));
        List<Plan.Total> totals = new ArrayList<>();
        for (int i = 0; i < block.totals().size(); i++) {
            total(BLOCK + "/totals/" + i, block.totals().get(i), levels, columns)
                    .ifPresent(totals::add);
        }
        checkGrid(totals);
        List<Integer> counted = new ArrayList<>();
        for (int i = 0; i < block.counts().size(); i++) {
            counted(BLOCK + "/counts/" + i, block.counts().get(i)).ifPresent(counted::add);
        }
        List<Plan.Highlight> highlights =
                active(BLOCK + "/highlights", block.highlights(), Report.Highlight::off, this::highlight);
        List<Plan.Term> rowOrder = terms(BLOCK + "/rows/order", block.rows().order(), false);
        report.page().header().ifPresent(text -> problems.collect("/page/header", () -> PageText.parse(text), null));
        report.page().footer().ifPresent(text -> problems.collect("/page/footer", () -> PageText.parse(text), null));
        problems.addAll(Advice.on(columns, totals, dataset));
        problems.throwIfErrors();
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

    /** The levels that are switched on, outermost first. */
    private static List<Names.Level> levels(Report report) {
        return report.blocks().getFirst().levels().stream()
                .filter(level -> !level.off().orElse(false))
                .map(level -> new Names.Level(level.id(), level.name()))
                .toList();
    }

    private void requireAround(String pointer, Plan.GroupText text, int depth) {
        for (Plan.TextPart part : text.parts()) {
            if (part instanceof Plan.TextPart.Figure figure) {
                requireAround(pointer, figure.value(), depth);
            }
        }
    }

    /** An aggregate can only be over a group around the place where it stands. */
    private void requireAround(String pointer, Typed value, int depth) {
        if (value.deepestOver() > depth) {
            problems.error(
                    pointer,
                    "an aggregate in it is over groups inside this one; allowed here: "
                            + Typing.overs(names.levels().subList(0, depth)));
        }
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

    private Optional<Plan.RowFilter> filter(String pointer, Report.Filter filter) {
        if (filter.off().orElse(false) || !known(pointer, filter.field())) {
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
        boolean typed = filter.kind() == Report.FilterKind.EXPRESSION;
        own.found().forEach(problem -> problems.add(typed ? problem : problem.withoutPosition()));
        return planned;
    }

    private Optional<Plan.RowFilter> condition(Report.Filter filter) {
        Expression condition = ExpressionParser.parse(FilterText.of(filter, dataset));
        // Typed whole first, so that a fault is found whatever was answered.
        Typing.condition(condition, names, Typing.Place.ROW);
        return Unanswered.removed(condition, names.unanswered())
                .map(left -> new Plan.RowFilter(filter.id(), Typing.condition(left, names, Typing.Place.ROW)));
    }

    private Plan.Level level(String pointer, Report.Level level) {
        Typed key = typed(pointer + "/key", level.key(), Typing.Place.ROW);
        if (level.bucket().isPresent()
                && key.type().kind() != Kind.DATE
                && key.type().kind() != Kind.TIMESTAMP) {
            problems.error(
                    pointer + "/bucket",
                    "the key \"" + level.key() + "\" is a " + key.type() + "; only a date or timestamp has buckets");
        }
        TextPlanning texts = new TextPlanning(names, dataset, problems);
        List<Plan.Term> terms = terms(pointer + "/order", level.order(), true);
        int depth = names.levels().stream().map(Names.Level::id).toList().indexOf(level.id()) + 1;
        for (int i = 0; i < terms.size(); i++) {
            requireAround(pointer + "/order/" + i + "/by", terms.get(i).by(), depth);
        }
        Optional<Plan.GroupText> header =
                level.headerText().map(text -> texts.groupText(pointer + "/headerText", text));
        Optional<Plan.GroupText> footer =
                level.footerText().map(text -> texts.groupText(pointer + "/footerText", text));
        header.ifPresent(text -> requireAround(pointer + "/headerText", text, depth));
        footer.ifPresent(text -> requireAround(pointer + "/footerText", text, depth));
        return new Plan.Level(
                level,
                pointer,
                key,
                level.bucket().map(b -> new DateBucket(b, dataset.calendar())),
                level.label().map(text -> typed(pointer + "/label", text, Typing.Place.ROW)),
                homes.orGrain(key),
                terms,
                header,
                footer,
                codeBehind(key));
    }

    /** Grouping by a name alone puts things of one name together; what tells them apart is read so that this can be said. */
    private Optional<Typed.Field> codeBehind(Typed key) {
        if (!(key instanceof Typed.Field field)) {
            return Optional.empty();
        }
        Dataset.Table table = dataset.table(dataset.field(field.id()).table());
        boolean isName = table.name().filter(field.id()::equals).isPresent();
        return table.code()
                .filter(code -> isName && !code.equals(field.id()))
                .flatMap(code -> names.field(code, true))
                .filter(Typed.Field.class::isInstance)
                .map(Typed.Field.class::cast);
    }

    private Plan.Highlight highlight(String pointer, Report.Highlight highlight) {
        boolean[] scope = new boolean[1];
        Typed when = problems.collect(
                pointer + "/when",
                () -> {
                    Expression parsed = ExpressionParser.parse(highlight.when());
                    scope[0] = Typing.aggregates(parsed, names);
                    return Typing.condition(parsed, names, scope[0] ? Typing.Place.SCOPE : Typing.Place.ROW);
                },
                NOTHING);
        return new Plan.Highlight(highlight, pointer, when, scope[0]);
    }

    private List<Plan.Term> terms(String pointer, List<Report.OrderTerm> order, boolean overScope) {
        List<Plan.Term> terms = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            Report.OrderTerm term = order.get(i);
            terms.add(problems.collect(
                    pointer + "/" + i + "/by",
                    () -> {
                        Expression by = ExpressionParser.parse(term.by());
                        boolean scope = overScope && Typing.aggregates(by, names);
                        Typing.Place place = scope ? Typing.Place.SCOPE : Typing.Place.ROW;
                        return new Plan.Term(Typing.type(by, names, place), scope, term.direction());
                    },
                    new Plan.Term(NOTHING, false, term.direction())));
        }
        return List.copyOf(terms);
    }

    private Plan.Column column(String pointer, Report.Column column, List<Plan.Level> levels) {
        Typed value = typed(pointer + "/value", column.value(), Typing.Place.ROW);
        Report.Align align = column.align().orElse(value.type().isNumber() ? Report.Align.END : Report.Align.START);
        String format = column.format().orElseGet(() -> Formats.of(value, dataset));
        Formats.check(pointer + "/format", format, value.type(), problems);
        Optional<Integer> onceIn = column.once().flatMap(level -> depth(level, levels));
        return new Plan.Column(column, pointer, value, homes.orGrain(value), format, align, onceIn);
    }

    /** Depth of a level that is switched on, 0 for the report. */
    private static Optional<Integer> depth(String id, List<Plan.Level> levels) {
        if (id.equals(Report.Cell.REPORT)) {
            return Optional.of(0);
        }
        for (int i = 0; i < levels.size(); i++) {
            if (levels.get(i).definition().id().equals(id)) {
                return Optional.of(i + 1);
            }
        }
        return Optional.empty();
    }

    /** A total; none where its column is switched off. */
    private Optional<Plan.Total> total(
            String pointer, Report.Total total, List<Plan.Level> levels, List<Plan.Column> columns) {
        Typed value = typed(pointer + "/value", total.value(), Typing.Place.SCOPE);
        int column = -1;
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).definition().id().equals(total.column())) {
                column = i;
            }
        }
        Map<Integer, Report.Place> places = new HashMap<>();
        for (Report.Cell cell : total.cells()) {
            depth(cell.at(), levels).ifPresent(depth -> places.put(depth - 1, cell.in()));
        }
        for (int i = 0; i < total.cells().size(); i++) {
            String at = pointer + "/cells/" + i + "/at";
            depth(total.cells().get(i).at(), levels).ifPresent(depth -> requireAround(at, value, depth));
        }
        String format = total.format().orElseGet(() -> Formats.of(value, dataset));
        Formats.check(pointer + "/format", format, value.type(), problems);
        return column < 0
                ? Optional.empty()
                : Optional.of(new Plan.Total(total, pointer, value, column, format, Map.copyOf(places)));
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

    private Typed typed(String pointer, String text, Typing.Place place) {
        return problems.collect(pointer, () -> Typing.type(ExpressionParser.parse(text), names, place), NOTHING);
    }
}
