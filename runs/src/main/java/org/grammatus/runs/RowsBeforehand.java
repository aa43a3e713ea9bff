package org.grammatus.runs;

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
 * @param rows of the first block
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
        TablePlan first = plan.blocks().getFirst().facts();
        Reading reading = Reading.of(plan, first.dataset());
        if (first.looks().findAny().isPresent() || reader.readAt(reading).isEmpty()) {
            return Optional.empty();
        }
        Star star = reader.read(reading, ReadProgress.SILENT);
        int rows = KeptRows.of(first, star, new Faults(), () -> false).rows().length;
        Dataset.Noun noun = first.dataset().table(DatasetModel.GRAIN).noun();
        return Optional.of(new RowsBeforehand(rows, rows == 1 ? noun.one() : noun.other()));
    }
}
