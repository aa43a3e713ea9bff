package org.grammatus.runs;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;

/**
 * How many rows a run would keep, where that can be told without reading any.
 *
 * @param rows of the block that keeps most
 * @param noun what they are called
 */
public record RowsBeforehand(int rows, String noun) {

    /**
     * Counts the rows of a run that is not made yet.
     *
     * @return none where its rows are not held, or its conditions look for rows of other datasets
     * @throws org.grammatus.core.problem.ProblemException with every fault of the answers, the definition or the view
     */
    public static Optional<RowsBeforehand> of(RunRequest request, DatasetReader reader) {
        Plan plan = request.plan();
        List<Reading> readings = Reading.allOf(plan);
        if (!plan.looks().isEmpty()
                || readings.stream().anyMatch(reading -> reader.readAt(reading).isEmpty())) {
            return Optional.empty();
        }
        return plan.blocks().stream()
                .map(block -> of(block.facts(), plan, reader))
                .max(Comparator.comparing(RowsBeforehand::rows));
    }

    private static RowsBeforehand of(TablePlan table, Plan plan, DatasetReader reader) {
        Star star = reader.read(Reading.of(plan, table.dataset()), ReadProgress.SILENT);
        int rows = KeptRows.of(table, star, new Faults(), () -> false).rows().length;
        Dataset.Noun noun = table.dataset().table(DatasetModel.GRAIN).noun();
        return new RowsBeforehand(rows, rows == 1 ? noun.one() : noun.other());
    }
}
