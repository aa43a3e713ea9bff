package org.grammatus.runs;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.RelatedKeys;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.GroupingInputs;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.core.rows.MeetingRows;

/**
 * The steps from rows to groups, each done once for the same rows and inputs. What was read, for whom, from which state of its source
 * and in which zone is told by the rows themselves: other rows share nothing. Thread-safe.
 */
public final class RunStages {

    /** By the very rows, which are let go as soon as no run and no snapshot has them. */
    private final Cache<Star, OfRows> byRows = Caffeine.newBuilder().weakKeys().build();

    private static final class OfRows {
        final MeetingRows meeting;
        final Stage<Related, Star> related = new Stage<>();
        final Stage<FilterInputs, Kept> filtering = new Stage<>();
        final Stage<GroupingInputs, GroupingStep.Result> grouping = new Stage<>();

        OfRows(Star star) {
            this.meeting = new MeetingRows(star);
        }
    }

    /** What looks for rows, and the very rows that it looks into. */
    private record Related(List<Typed.SemiJoin> looks, List<Star> into) {}

    private record FilterInputs(Dataset dataset, RunContext context, List<FilterPlan.Kept> conditions) {}

    /** Rows that met conditions, with what could not be computed on the way. */
    private record Kept(KeptRows rows, Faults faults) {}

    /**
     * How many rows a run itself went through in each step, rather than find what another run made.
     *
     * @param filtered rows that conditions were tried on
     * @param grouped rows that were put into groups
     */
    public record Touched(long filtered, long grouped) {}

    /**
     * Groups with what made them.
     *
     * @param held what is to be held as long as the groups are, for the sake of later runs
     * @param meeting which of the rows meet conditions
     */
    public record Made(GroupingStep.Result grouping, Touched touched, List<Object> held, MeetingRows meeting) {

        /** The same, chosen keys called as another block's rows call them. */
        Made answeredBy(TableResult other) {
            return new Made(
                    new GroupingStep.Result(grouping.grouped().answeredBy(other), grouping.drillDown()),
                    touched,
                    held,
                    meeting);
        }
    }

    /**
     * Filters, groups, totals and orders rows.
     *
     * @param others the rows of the datasets in which its conditions look for rows
     */
    Made grouped(TablePlan plan, Star rows, Function<Typed.SemiJoin, Star> others, BooleanSupplier cancelled) {
        Star star = related(plan, rows, others, cancelled);
        OfRows stages = byRows.get(star, OfRows::new);
        long[] touched = new long[2];
        FilterInputs conditions = new FilterInputs(
                plan.dataset().asRead(),
                plan.context(),
                plan.filters().stream().map(FilterPlan::kept).toList());
        Kept kept = stages.filtering.of(conditions, cancelled, stop -> {
            touched[0] = star.rowCount();
            Faults faults = new Faults();
            return new Kept(KeptRows.of(plan, star, faults, stop), faults);
        });
        GroupingStep.Result grouping = stages.grouping.of(GroupingInputs.of(plan), cancelled, stop -> {
            touched[1] = kept.rows.rows().length;
            return GroupingStep.group(plan, star, kept.rows, kept.faults.copy(), stop);
        });
        GroupingStep.Result printed = new GroupingStep.Result(grouping.grouped().printedBy(plan), grouping.drillDown());
        return new Made(printed, new Touched(touched[0], touched[1]), List.of(star, kept, grouping), stages.meeting);
    }

    /** The rows with what is known of those of other datasets that belong to them. */
    private Star related(TablePlan plan, Star rows, Function<Typed.SemiJoin, Star> others, BooleanSupplier cancelled) {
        List<Typed.SemiJoin> looks = plan.looks().toList();
        if (looks.isEmpty()) {
            return rows;
        }
        Related inputs = new Related(looks, looks.stream().map(others).toList());
        return byRows.get(rows, OfRows::new).related.of(inputs, cancelled, stop -> {
            Map<Typed.SemiJoin, RelatedKeys> found = new HashMap<>();
            for (Typed.SemiJoin has : looks) {
                Star into = others.apply(has);
                int[] kept = KeptRows.meeting(has.condition().stream().toList(), into);
                found.put(has, RelatedKeys.of(has, into, kept));
            }
            return rows.with(found);
        });
    }
}
