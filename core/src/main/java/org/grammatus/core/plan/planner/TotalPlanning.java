package org.grammatus.core.plan.planner;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportCompare;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/** Plans the lines of the totals grid. */
final class TotalPlanning {

    static final String PERCENT = "0.0%";

    private final BlockScope scope;
    private final DatasetModel dataset;
    private final Names names;
    private final Problems problems;
    private final PlanExpressions expressions;

    TotalPlanning(BlockScope scope) {
        this.scope = scope;
        this.dataset = scope.dataset;
        this.names = scope.names;
        this.problems = scope.problems;
        this.expressions = scope.expressions;
    }

    /** A total; none where its column is switched off. */
    Optional<TotalPlan> total(String pointer, ReportTotal total, List<LevelPlan> levels, List<ColumnPlan> columns) {
        Typed value = expressions.typed(pointer + "/value", total.value(), Typing.Place.SCOPE);
        Shown shown = total.shown().orElse(Shown.VALUE);
        Optional<TablePlan.Comparison> comparison = total.compare().map(c -> comparison(pointer + "/compare", c));
        if (!value.type().isNumber()
                && value != PlanExpressions.NOTHING
                && (shown != Shown.VALUE || comparison.isPresent())) {
            problems.error(
                    pointer + "/value",
                    "is a " + value.type() + "; a share, a rank, a running total or a comparison needs a number");
        }
        boolean steps = value.stepping().findAny().isPresent();
        if (steps && (shown != Shown.VALUE || comparison.isPresent())) {
            problems.error(
                    pointer + "/value",
                    "steps over groups in printed order already; a share, rank, change or comparison takes a plain aggregate");
        }
        Map<String, Place> places = new HashMap<>();
        for (int i = 0; i < total.cells().size(); i++) {
            ReportCell cell = total.cells().get(i);
            String at = pointer + "/cells/" + i + "/at";
            depth(cell.at(), levels).ifPresent(depth -> {
                places.put(cell.at(), cell.in());
                expressions.requireAround(at, value, depth);
            });
        }
        Type type = comparison.map(c -> compared(c, value.type())).orElseGet(() -> shown(shown, value.type()));
        boolean percent = isPercent(shown, comparison);
        Optional<ColumnPlan> column = columns.stream()
                .filter(each -> each.id().equals(total.column()))
                .findFirst();
        String format = total.format()
                .or(() -> column.flatMap(own -> ofColumn(own, value, percent)))
                .orElseGet(() -> percent
                        ? PERCENT
                        : type.equals(value.type()) ? Formats.of(value, dataset) : Formats.byType(type, dataset));
        Formats.check(pointer + "/format", format, type, problems);
        return column.map(own -> new TotalPlan(
                total.id(),
                pointer,
                total.value(),
                value,
                shown,
                comparison,
                type,
                own.id(),
                format,
                Map.copyOf(places)));
    }

    /** A column's own format is its totals', too: of all where it shows nothing in rows, else of what adds up what it shows. */
    private static Optional<String> ofColumn(ColumnPlan column, Typed value, boolean percent) {
        boolean alone = column.text().isEmpty();
        boolean adds = value.unnamed() instanceof Typed.Aggregate a
                && a.function() != AggregateFunction.COUNT
                && a.argument().filter(column.value()::equals).isPresent();
        return Optional.of(column.format())
                .filter(format -> format.own() && (alone || (adds && !percent)))
                .map(ColumnPlan.Format::pattern);
    }

    private static Type shown(Shown shown, Type type) {
        return switch (shown) {
            case VALUE, RUNNING_IN_PARENT, RUNNING_IN_REPORT, CHANGE -> type;
            case SHARE_OF_PARENT, SHARE_OF_REPORT, CHANGE_PERCENT -> ratio(type, type);
            case RANK -> Type.INTEGER;
        };
    }

    private static Type compared(TablePlan.Comparison comparison, Type type) {
        Type other = comparison instanceof TablePlan.Comparison.WithPlan(Typed plan, var s) ? plan.type() : type;
        return switch (comparison.shown()) {
            case FIGURE -> other;
            case DIFFERENCE -> wider(type, other);
            case PERCENT -> ratio(wider(type, other), other);
        };
    }

    private static Type wider(Type a, Type b) {
        int scale = Math.max(a.scale(), b.scale());
        return scale == 0 ? Type.INTEGER : Type.decimal(scale);
    }

    private static Type ratio(Type a, Type b) {
        return Type.decimal(Decimals.divisionScale(a.scale(), b.scale()));
    }

    private static boolean isPercent(Shown shown, Optional<TablePlan.Comparison> comparison) {
        return comparison
                .map(c -> c.shown() == Compared.PERCENT)
                .orElse(shown == Shown.SHARE_OF_PARENT
                        || shown == Shown.SHARE_OF_REPORT
                        || shown == Shown.CHANGE_PERCENT);
    }

    private TablePlan.Comparison comparison(String pointer, ReportCompare compare) {
        return switch (compare) {
            case ReportCompare.WithPlan with -> withPlan(pointer, with);
            case ReportCompare.WithTime with -> withTime(pointer, with);
            case ReportCompare.WithPeriod with -> withPeriod(pointer, with);
        };
    }

    private TablePlan.Comparison withPlan(String pointer, ReportCompare.WithPlan compare) {
        Typed plan = expressions.typed(pointer + "/plan", compare.plan(), Typing.Place.SCOPE);
        if (!plan.type().isNumber() && plan != PlanExpressions.NOTHING) {
            problems.error(pointer + "/plan", "is a " + plan.type() + "; a plan is a number");
        }
        return new TablePlan.Comparison.WithPlan(plan, compare.shown());
    }

    private TablePlan.Comparison withTime(String pointer, ReportCompare.WithTime compare) {
        isDate(pointer, compare.date());
        return new TablePlan.Comparison.WithTime(
                compare.date(),
                compare.with(),
                compare.cut().orElse(false),
                scope.asked.prompt(compare.date()),
                compare.shown());
    }

    private TablePlan.Comparison withPeriod(String pointer, ReportCompare.WithPeriod compare) {
        boolean date = isDate(pointer, compare.date());
        return new TablePlan.Comparison.WithPeriod(
                compare.date(),
                compare.prompt(),
                date ? scope.conditions(compare.date(), compare.prompt()) : List.of(),
                compare.shown());
    }

    private boolean isDate(String pointer, String field) {
        Optional<Typed> date = names.field(field, true);
        boolean is =
                date.orElse(null) instanceof Typed.Field stored && stored.type().isTime();
        if (date.isEmpty()) {
            problems.error(
                    pointer + "/date",
                    "unknown field \"" + field + "\"" + Suggestion.inWords(field, dataset.rowNames()));
        } else if (!is) {
            problems.error(
                    pointer + "/date",
                    "\"" + field + "\" is not a date or timestamp of a table; choose one to compare another time by");
        }
        return is;
    }

    /** Depth of a level that is switched on, 0 for the report. */
    static Optional<Integer> depth(String id, List<LevelPlan> levels) {
        if (id.equals(ReportCell.REPORT)) {
            return Optional.of(0);
        }
        for (int i = 0; i < levels.size(); i++) {
            if (levels.get(i).id().equals(id)) {
                return Optional.of(i + 1);
            }
        }
        return Optional.empty();
    }
}
