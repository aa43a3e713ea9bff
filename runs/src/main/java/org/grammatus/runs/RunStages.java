package org.grammatus.runs;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.group.Grouping;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.GroupingInputs;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.rows.KeptRows;

/**
 * The steps from rows to groups, each done once for the same rows and inputs. What was read, for whom, from which state of its source
 * and in which zone is told by the rows themselves: other rows share nothing. Thread-safe.
 */
public final class RunStages {

    /** By the very rows, which are let go as soon as no run and no snapshot has them. */
    private final Cache<Star, OfRows> byRows = Caffeine.newBuilder().weakKeys().build();

    private static final class OfRows {
        final Stage<FilterInputs, Kept> filtering = new Stage<>();
        final Stage<GroupingInputs, Grouping.Result> grouping = new Stage<>();
    }

    private record FilterInputs(Dataset dataset, RunContext context, List<Typed> conditions) {}

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
     */
    public record Made(Grouping.Result grouping, Touched touched, List<Object> held) {

        /** The same, chosen keys called as another block's rows call them. */
        Made answeredBy(Grouped other) {
            return new Made(
                    new Grouping.Result(grouping.grouped().answeredBy(other), grouping.drillDown()), touched, held);
        }
    }

    /** Filters, groups, totals and orders rows. */
    Made grouped(TablePlan plan, Star star, BooleanSupplier cancelled) {
        OfRows stages = byRows.get(star, key -> new OfRows());
        long[] touched = new long[2];
        FilterInputs conditions = new FilterInputs(
                plan.dataset().asRead(),
                plan.context(),
                plan.filters().stream().map(FilterPlan::condition).toList());
        Kept kept = stages.filtering.of(conditions, cancelled, stop -> {
            touched[0] = star.rowCount();
            Faults faults = new Faults();
            return new Kept(KeptRows.of(plan, star, faults, stop), faults);
        });
        Grouping.Result grouping = stages.grouping.of(GroupingInputs.of(plan), cancelled, stop -> {
            touched[1] = kept.rows.rows().length;
            return Grouping.group(plan, star, kept.rows, kept.faults.copy(), stop);
        });
        Grouping.Result printed = new Grouping.Result(grouping.grouped().printedBy(plan), grouping.drillDown());
        return new Made(printed, new Touched(touched[0], touched[1]), List.of(kept, grouping));
    }
}
