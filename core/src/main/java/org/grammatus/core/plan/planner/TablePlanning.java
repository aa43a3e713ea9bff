package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.choice.layout.ColumnRoom;
import org.grammatus.core.choice.layout.ColumnScale;
import org.grammatus.core.choice.layout.TableLayout;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportRows;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.RowsPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.plan.TotalsPlan;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** Plans a table. */
final class TablePlanning {

    /** What a row shows in a column of totals alone; a number, since totals mostly are. */
    static final Typed NO_VALUE = new Typed.Constant(new Scalar.Null(Type.INTEGER));

    private final BlockScope scope;
    private final TableBlock block;
    private final String pointer;
    private final DatasetModel dataset;
    private final Problems problems;
    private final PlanExpressions expressions;

    TablePlanning(BlockScope scope, TableBlock block) {
        this.scope = scope;
        this.block = block;
        this.pointer = scope.pointer;
        this.dataset = scope.dataset;
        this.problems = scope.problems;
        this.expressions = scope.expressions;
    }

    TablePlan table() {
        LevelPlanning levelPlanning =
                new LevelPlanning(dataset, scope.names, scope.lookups, problems, expressions, scope.asked);
        List<LevelPlan> levels = active(pointer + "/levels", block.levels(), ReportLevel::off, levelPlanning::level);
        List<ColumnPlan> written = active(
                pointer + "/columns", block.columns(), ReportColumn::off, (at, column) -> column(at, column, levels));
        List<TotalPlan> totals = new ArrayList<>();
        TotalPlanning totalPlanning = new TotalPlanning(scope);
        for (int i = 0; i < block.totals().size(); i++) {
            totalPlanning
                    .total(pointer + "/totals/" + i, block.totals().get(i), levels, written)
                    .ifPresent(totals::add);
        }
        checkGrid(totals);
        List<ColumnPlan> columns = named(written, totals);
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
                        (at, rule) ->
                                HighlightPlanning.planned(rule, at, levels, columns, scope.names, printsRows, problems))
                .stream()
                .flatMap(Optional::stream)
                .toList();
        RowsPlan rowsPlan = new RowsPlan(
                rows.shown(),
                expressions.rowTerms(pointer + "/rows/order", rows.order()),
                rows.limit(),
                rows.percent(),
                rows.others().orElse(false));
        return scope.facts(
                levels,
                columns,
                new TotalsPlan(
                        totals,
                        block.totalText().map(text -> scope.text("/totalText", text)),
                        counted,
                        block.cover(),
                        block.rounding().orElse(Rounding.PRINTED)),
                highlights,
                rowsPlan,
                layout());
    }

    private Optional<ColumnScale> scale(String at, ReportColumn column, Typed value) {
        if (column.scale().isPresent()
                && column.value().isPresent()
                && !value.type().isNumber()) {
            problems.error(
                    at + "/scale", "the column shows " + value.type() + "; only figures have a size to be drawn");
        }
        column.scale()
                .flatMap(ColumnScale::edges)
                .filter(edges -> edges.getFirst().compareTo(edges.getLast()) >= 0)
                .ifPresent(edges -> problems.error(
                        at + "/scale/edges",
                        "the highest step must begin above the middle one; give the lower edge first"));
        column.scale()
                .filter(scale -> scale.within().isPresent()
                        && (scale.kind() == ColumnScale.Kind.BAR
                                || scale.edges().isPresent()))
                .ifPresent(
                        scale -> problems.error(
                                at + "/scale/within",
                                "only steps that are thirds are told apart group by group; remove this property, or the edges"));
        return column.scale();
    }

    /** How the table stands on pages; what it cannot do with the rows that it prints is noted. */
    private TableLayout layout() {
        TableLayout layout = block.layout().orElse(TableLayout.PLAIN);
        if (layout.carriesTotals() && (!block.rows().shown() || block.rows().limited())) {
            problems.error(
                    pointer + "/layout/carried",
                    "totals are carried from row to row, so all rows must be printed; print them, or carry nothing");
        }
        return layout;
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

    private ColumnPlan column(String pointer, ReportColumn column, List<LevelPlan> levels) {
        Typed value = column.value()
                .map(text -> scope.lookups.shown(expressions.typed(pointer + "/value", text, Typing.Place.CELL)))
                .orElse(NO_VALUE);
        Align align = column.align().orElse(value.type().isNumber() ? Align.END : Align.START);
        String format = column.format().orElseGet(() -> Formats.of(value, dataset));
        // What a column of totals alone is printed by is checked with each of them.
        if (column.value().isPresent()) {
            Formats.check(pointer + "/format", format, value.type(), problems);
        }
        Optional<String> onceIn =
                column.once().filter(level -> TotalPlanning.depth(level, levels).isPresent());
        // What looks at groups around a row differs from row to row.
        int home = value.looksOver() ? DatasetModel.GRAIN : scope.homes.orGrain(value);
        return new ColumnPlan(
                column.id(),
                column.label()
                        .or(() -> column.value().map(text -> scope.label(value).orElse(text)))
                        .orElse(""),
                pointer,
                column.value(),
                value,
                home,
                new ColumnPlan.Format(
                        format, column.format().isPresent(), column.unit().or(() -> scope.unit(value))),
                new ColumnPlan.Print(
                        align,
                        column.width(),
                        column.room().orElse(ColumnRoom.PLAIN),
                        scale(pointer, column, value),
                        onceIn));
    }

    /** A column of totals alone is called and counted as the first of them is, unless it says so itself. */
    private List<ColumnPlan> named(List<ColumnPlan> columns, List<TotalPlan> totals) {
        List<ColumnPlan> named = new ArrayList<>(columns);
        for (ReportColumn written : block.columns()) {
            Optional<TotalPlan> first = totals.stream()
                    .filter(total -> written.value().isEmpty() && total.column().equals(written.id()))
                    .findFirst();
            first.ifPresent(total -> named.replaceAll(column -> column.id().equals(written.id())
                    ? column.called(
                            written.label()
                                    .orElseGet(() -> scope.label(total.value()).orElse(total.text())),
                            written.unit().or(() -> scope.unit(total.value())))
                    : column));
        }
        return List.copyOf(named);
    }

    /** Two totals cannot be printed in one cell. */
    private void checkGrid(List<TotalPlan> totals) {
        for (int i = 0; i < totals.size(); i++) {
            for (int j = 0; j < i; j++) {
                TotalPlan a = totals.get(j);
                TotalPlan b = totals.get(i);
                boolean meet = a.column().equals(b.column())
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
