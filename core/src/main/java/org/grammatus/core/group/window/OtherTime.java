package org.grammatus.core.group.window;

import java.util.BitSet;
import java.util.List;
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
import org.grammatus.core.group.tree.Nodes;
import org.grammatus.core.group.tree.SamePaths;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.core.rows.ShiftedStar;
import org.grammatus.core.value.Kind;

/**
 * The same report at another time. Dates of other rows are moved into the time of the report; then the same filters, levels and
 * choices of groups hold for them, and each group has its namesake there. Groups that only the other time has count in what is
 * around them.
 */
public final class OtherTime {

    private final Figures ours;
    private final Figures theirs;
    /** By node of the report: its namesake, or -1. */
    private final int[] namesake;

    private OtherTime(Figures ours, Figures theirs, int[] namesake) {
        this.ours = ours;
        this.theirs = theirs;
        this.namesake = namesake;
    }

    public static OtherTime of(Figures ours, Selection selection, TablePlan.Shift shift) {
        TablePlan plan = ours.plan();
        Star star = ShiftedStar.of(ours.nodes().star(), shift);
        KeptRows kept = KeptRows.of(plan, star, new Faults(), () -> false);
        return of(ours, selection, plan, star, shift.until().isPresent() ? until(kept, star, shift) : kept);
    }

    /** The groups as rows make them that meet other conditions than the plan's. */
    public static OtherTime of(Figures ours, Selection selection, List<FilterPlan> conditions) {
        TablePlan plan = ours.plan().withFilters(conditions);
        Star star = ours.nodes().star();
        return of(ours, selection, plan, star, KeptRows.of(plan, star, new Faults(), () -> false));
    }

    private static OtherTime of(Figures ours, Selection selection, TablePlan plan, Star star, KeptRows kept) {
        Nodes all = Nodes.of(plan, star, kept, new Faults(), () -> false);
        Nodes theirs = selection.repeated(all, star);
        return new OtherTime(ours, new Figures(plan, theirs, new Faults()), SamePaths.ofAll(theirs, ours.nodes()));
    }

    /** The rows whose moved day is not after the last one that takes part. */
    private static KeptRows until(KeptRows kept, Star star, TablePlan.Shift shift) {
        int home = star.dataset().field(shift.field()).table();
        Column.Longs days = (Column.Longs) star.table(home).fields().get(shift.field());
        long unit = days.type().kind() == Kind.TIMESTAMP ? Scalars.MICROS_OF_DAY : 1;
        long end = (shift.until().orElseThrow().toEpochDay() + 1) * unit;
        int[] path = star.path(DatasetModel.GRAIN, home);
        BitSet rows = new BitSet(star.rowCount());
        for (int row : kept.rows()) {
            long day = days.values()[path[row]];
            rows.set(row, day != Column.Longs.NULL && day < end);
        }
        return new KeptRows(rows.stream().toArray(), kept.afterEach());
    }

    /** What a total's value comes to at the other time, by node of the report; each line is rounded there as it is here. */
    public Column figures(TotalPlan total) {
        if (RoundedLines.apply(total, theirs)) {
            return Gathering.orNull(RoundedLines.of(total, theirs.of(total.value()), theirs), namesake);
        }
        return Evaluator.evaluate(total.value(), new There(), new Faults());
    }

    /** The report's groups as the other time has them: one without a namesake there has no rows. */
    private final class There implements EvaluationContext {

        @Override
        public int size() {
            return namesake.length;
        }

        @Override
        public Column field(String id) {
            throw new IllegalStateException("A group has many values of field " + id);
        }

        @Override
        public Column aggregate(Typed.Aggregate aggregate) {
            Column there = Gathering.orNull(theirs.aggregates().aggregate(aggregate), namesake);
            if (there instanceof Column.Longs counts && aggregate.function() == AggregateFunction.COUNT) {
                for (int node = 0; node < namesake.length; node++) {
                    counts.values()[node] = namesake[node] < 0 ? 0 : counts.values()[node];
                }
            }
            return there;
        }

        @Override
        public Column over(Typed.Over over) {
            return Gathering.orNull(aggregate(over.aggregate()), ours.nodes().ancestors(over.depth()));
        }
    }
}
