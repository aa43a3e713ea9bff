package org.grammatus.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.expression.Unanswered;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** Makes a plan from a definition and answers. */
public final class Planner {

    private static final Typed NOTHING = new Typed.Constant(new Scalar.Null(Type.TEXT));

    private final Report report;
    private final DatasetModel dataset;
    private final Problems problems = new Problems();
    private final PlanNames names;
    private final Homes homes;

    private Planner(Report report, DatasetModel dataset, List<ResolvedPrompt> prompts) {
        this.report = report;
        this.dataset = dataset;
        this.names = new PlanNames(dataset, prompts);
        this.homes = new Homes(dataset);
    }

    /**
     * Plans a run.
     *
     * @throws org.grammatus.core.problem.ProblemException with every fault of the answers, or else of the definition
     */
    public static Plan plan(Report report, DatasetModel dataset, Answers answers, RunContext context) {
        List<ResolvedPrompt> prompts = answers.resolve(report.prompts(), context, dataset.calendar());
        return new Planner(report, dataset, prompts).plan(prompts, context);
    }

    private Plan plan(List<ResolvedPrompt> prompts, RunContext context) {
        Report.Block block = report.blocks().getFirst();
        List<Plan.RowFilter> filters = new ArrayList<>();
        for (int i = 0; i < report.filters().size(); i++) {
            Report.Filter filter = report.filters().get(i);
            String pointer = "/filters/" + i + (filter.kind() == Report.FilterKind.PERIOD ? "/field" : "/where");
            Problems own = new Problems();
            own.collect(pointer, () -> filter(filter), Optional.<Plan.RowFilter>empty())
                    .ifPresent(filters::add);
            // The condition of a period filter is ours: a place in it would tell its author nothing.
            boolean built = filter.kind() == Report.FilterKind.PERIOD;
            own.found().forEach(problem -> problems.add(built ? problem.withoutPosition() : problem));
        }
        String at = "/blocks/0";
        List<Plan.Level> levels = new ArrayList<>();
        for (int i = 0; i < block.levels().size(); i++) {
            levels.add(level(at + "/levels/" + i, block.levels().get(i)));
        }
        List<Plan.Column> columns = new ArrayList<>();
        for (int i = 0; i < block.columns().size(); i++) {
            columns.add(column(at + "/columns/" + i, block.columns().get(i)));
        }
        List<Plan.Total> totals = new ArrayList<>();
        for (int i = 0; i < block.totals().size(); i++) {
            totals.add(total(at + "/totals/" + i, block.totals().get(i), block, columns));
        }
        checkGrid(at + "/totals", totals);
        List<Integer> counted = new ArrayList<>();
        for (int i = 0; i < block.counts().size(); i++) {
            counted(at + "/counts/" + i, block.counts().get(i)).ifPresent(counted::add);
        }
        List<Plan.Term> rowOrder = terms(at + "/rows/order", block.rows().order(), false);
        problems.throwIfErrors();
        return new Plan(
                report,
                dataset,
                context,
                prompts,
                List.copyOf(filters),
                List.copyOf(levels),
                List.copyOf(columns),
                List.copyOf(totals),
                List.copyOf(counted),
                rowOrder,
                names.used(),
                problems.found());
    }

    private Optional<Plan.RowFilter> filter(Report.Filter filter) {
        Expression condition = ExpressionParser.parse(condition(filter));
        // Typed whole first, so that a fault is found whatever was answered.
        Typing.condition(condition, names, Typing.Place.ROW);
        return Unanswered.removed(condition, names.unanswered())
                .map(left -> new Plan.RowFilter(filter.id(), Typing.condition(left, names, Typing.Place.ROW)));
    }

    /** A period reaches from its first day 00:00 up to, not including, the day after its last: the last day counts whole. */
    private static String condition(Report.Filter filter) {
        if (filter.kind() == Report.FilterKind.EXPRESSION) {
            return filter.where().orElseThrow();
        }
        String field = '"' + filter.field().orElseThrow() + '"';
        String prompt = ":" + filter.prompt().orElseThrow();
        return field + " >= " + prompt + "_from AND " + field + " < " + prompt + "_to + INTERVAL '1' DAY";
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
        Optional<DateBucket> bucket = level.bucket().map(b -> new DateBucket(b, dataset.calendar()));
        Optional<Typed> label = level.label().map(text -> typed(pointer + "/label", text, Typing.Place.ROW));
        return new Plan.Level(
                level, key, bucket, label, homes.orGrain(key), terms(pointer + "/order", level.order(), true));
    }

    private List<Plan.Term> terms(String pointer, List<Report.OrderTerm> order, boolean overScope) {
        List<Plan.Term> terms = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            Report.OrderTerm term = order.get(i);
            terms.add(problems.collect(
                    pointer + "/" + i + "/by",
                    () -> {
                        Expression by = ExpressionParser.parse(term.by());
                        boolean scope = overScope && Typing.aggregates(by);
                        Typing.Place place = scope ? Typing.Place.SCOPE : Typing.Place.ROW;
                        return new Plan.Term(Typing.type(by, names, place), scope, term.direction());
                    },
                    new Plan.Term(NOTHING, false, term.direction())));
        }
        return List.copyOf(terms);
    }

    private Plan.Column column(String pointer, Report.Column column) {
        Typed value = typed(pointer + "/value", column.value(), Typing.Place.ROW);
        boolean alignEnd = column.align()
                .map(a -> a == Report.Align.END)
                .orElse(value.type().isNumber());
        String format = column.format().orElseGet(() -> Formats.of(value, dataset));
        Formats.check(pointer + "/format", format, value.type(), problems);
        return new Plan.Column(column, value, homes.orGrain(value), format, alignEnd);
    }

    private Plan.Total total(String pointer, Report.Total total, Report.Block block, List<Plan.Column> columns) {
        Typed value = typed(pointer + "/value", total.value(), Typing.Place.SCOPE);
        adviseOnSum(pointer + "/value", value);
        int column = 0;
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).definition().id().equals(total.column())) {
                column = i;
            }
        }
        Map<Integer, Report.Place> places = new HashMap<>();
        for (Report.Cell cell : total.cells()) {
            int level = Plan.Total.REPORT_LEVEL;
            for (int i = 0; i < block.levels().size(); i++) {
                if (block.levels().get(i).id().equals(cell.at())) {
                    level = i;
                }
            }
            places.put(level, cell.in());
        }
        String format = total.format().orElseGet(() -> Formats.of(value, dataset));
        Formats.check(pointer + "/format", format, value.type(), problems);
        return new Plan.Total(total, value, column, format, Map.copyOf(places));
    }

    /** Two totals cannot be printed in one cell. */
    private void checkGrid(String pointer, List<Plan.Total> totals) {
        for (int i = 0; i < totals.size(); i++) {
            for (int j = 0; j < i; j++) {
                Plan.Total a = totals.get(j);
                Plan.Total b = totals.get(i);
                boolean meet = a.column() == b.column()
                        && b.places().entrySet().stream()
                                .anyMatch(p -> p.getValue() == a.places().get(p.getKey()));
                if (meet) {
                    problems.error(
                            pointer + "/" + i + "/cells",
                            "stands in a cell that \"" + a.definition().id()
                                    + "\" has already; choose another column, level or place");
                }
            }
        }
    }

    private void adviseOnSum(String pointer, Typed value) {
        if (value instanceof Typed.Aggregate a
                && a.function() == AggregateFunction.SUM
                && a.argument().orElse(value) instanceof Typed.Field f) {
            Dataset.Field field = dataset.field(f.id()).definition();
            if (field.role() != Dataset.Role.ADDITIVE) {
                String reason = field.role() == Dataset.Role.IDENTIFIER ? "is an identifier" : "does not add up";
                problems.add(Problem.notice(
                        pointer, "\"" + field.label() + "\" " + reason + "; an average or a count may be meant"));
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
