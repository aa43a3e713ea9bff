package org.grammatus.core.group.window;

import java.time.LocalDate;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.figure.RoundedLines;
import org.grammatus.core.group.select.Selection;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.SamePaths;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.core.rows.Shift;
import org.grammatus.core.rows.ShiftedStar;
import org.grammatus.core.value.Kind;

/**
 * The same report at another time. Dates of other rows are moved into the time of the report; then the same filters, levels and
 * choices of groups hold for them, and each group has its matching node there. Groups that only the other time has count in what is
 * around them.
 */
final class OtherTime {

    private final TablePlan plan;
    private final Figures ours;
    private final Figures theirs;
    /** By node of the report: its matching node, or -1. */
    private final int[] matchingNode;

    private OtherTime(TablePlan plan, Figures ours, Figures theirs, int[] matchingNode) {
        this.plan = plan;
        this.ours = ours;
        this.theirs = theirs;
        this.matchingNode = matchingNode;
    }

    /** The groups as rows of another time make them, whose dates are moved into this one. */
    static OtherTime of(TablePlan plan, Figures ours, Selection selection, Shift shift) {
        Star star = ShiftedStar.of(ours.nodes().star(), shift);
        KeptRows kept = KeptRows.of(plan, star, new Faults(), () -> false);
        return of(plan, ours, selection, star, until(kept, star, shift.field(), shift.until()), LeapDays.of(shift));
    }

    /** The groups as rows make them that meet other conditions than the plan's, up to a day of a date field. */
    static OtherTime of(
            TablePlan plan,
            Figures ours,
            Selection selection,
            List<FilterPlan> conditions,
            String field,
            Optional<LocalDate> until) {
        TablePlan other = plan.withFilters(conditions);
        Star star = ours.nodes().star();
        KeptRows kept = KeptRows.of(other, star, new Faults(), () -> false);
        return of(other, ours, selection, star, until(kept, star, field, until), Optional.empty());
    }

    private static OtherTime of(
            TablePlan plan, Figures ours, Selection selection, Star star, KeptRows kept, Optional<LeapDays> leapDays) {
        GroupIndex all = GroupIndex.of(plan.axis(), star, kept, new Faults(), () -> false);
        GroupIndex theirs = selection.repeated(all, star);
        GroupIndex own = ours.nodes();
        int[] matchingNode = SamePaths.ofAll(
                theirs,
                own,
                depth -> leapDays.map(days -> days.keys(depth, own)).orElseGet(() -> own.keys(depth)));
        return new OtherTime(plan, ours, new Figures(plan.axis(), theirs, new Faults()), matchingNode);
    }

    /** Whether any row that is kept is after the last day that takes part. */
    static boolean hasLater(Figures figures, Shift shift) {
        KeptRows kept = figures.nodes().kept();
        KeptRows upTo = until(kept, figures.nodes().star(), shift.field(), shift.until());
        return upTo.rows().length < kept.rows().length;
    }

    /** The rows whose day is not after the last one that takes part. */
    private static KeptRows until(KeptRows kept, Star star, String field, Optional<LocalDate> last) {
        if (last.isEmpty()) {
            return kept;
        }
        int home = star.dataset().field(field).table();
        Column.Longs days = (Column.Longs) star.table(home).fields().get(field);
        long unit = days.type().kind() == Kind.TIMESTAMP ? Scalars.MICROS_OF_DAY : 1;
        long end = (last.get().toEpochDay() + 1) * unit;
        int[] path = star.path(DatasetModel.GRAIN, home);
        BitSet rows = new BitSet(star.rowCount());
        for (int row : kept.rows()) {
            long day = path[row] < 0 ? Column.Longs.NULL : days.values()[path[row]];
            rows.set(row, day != Column.Longs.NULL && day < end);
        }
        return new KeptRows(rows.stream().toArray(), kept.afterEach());
    }

    /** What a total's value comes to at the other time, by node of the report; each line is rounded there as it is here. */
    Column figures(TotalPlan total) {
        if (RoundedLines.apply(total, plan, theirs)) {
            return Gathering.orNull(RoundedLines.of(total, theirs.of(total.value()), plan, theirs), matchingNode);
        }
        return Evaluator.evaluate(total.value(), new There(), new Faults());
    }

    /** The report's groups as the other time has them: one without a matching node there has no rows. */
    private final class There implements EvaluationContext {

        @Override
        public int size() {
            return matchingNode.length;
        }

        @Override
        public Column field(String id) {
            throw new IllegalStateException("A group has many values of field " + id);
        }

        @Override
        public Column aggregate(Typed.Aggregate aggregate) {
            Column there = Gathering.orNull(theirs.aggregates().aggregate(aggregate), matchingNode);
            if (there instanceof Column.Longs counts && aggregate.function() == AggregateFunction.COUNT) {
                for (int node = 0; node < matchingNode.length; node++) {
                    counts.values()[node] = matchingNode[node] < 0 ? 0 : counts.values()[node];
                }
            }
            return there;
        }

        @Override
        public Column over(Typed.Over over) {
            return Gathering.orNull(
                    aggregate(over.aggregate()),
                    ours.nodes().ancestors(ours.nodes().axis().depthOf(over.around())));
        }
    }
}
