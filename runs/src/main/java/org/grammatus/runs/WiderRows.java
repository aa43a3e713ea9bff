package org.grammatus.runs;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.explain.RowFields;
import org.grammatus.core.explain.ShownFields;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;

/**
 * The fields that rows of a run are shown with. What the report did not read is read now, and shown only if the rows are still those of
 * the run.
 *
 * @param changed whether they are not, so that only what the report read is shown
 */
record WiderRows(ShownFields fields, boolean changed) {

    /**
     * Finds the values of fields.
     *
     * @param reading what the run read
     * @param rows of the grain that are to be shown
     * @param asked ids of fields and calculated fields; the usual ones unless given
     * @throws org.grammatus.sources.SourceException if they cannot be read
     */
    static WiderRows of(
            GroupingStep.Result result,
            Reading reading,
            int[] rows,
            Optional<List<String>> asked,
            DatasetReader reader) {
        TablePlan plan = result.grouped().plan();
        List<String> ids = asked.orElseGet(() -> RowFields.usual(plan));
        Set<String> needed = RowFields.needed(plan, ids);
        if (reading.fields().containsAll(needed)) {
            return new WiderRows(ShownFields.of(plan, ids, result.drillDown().star()), false);
        }
        Star again = reader.read(reading.andFields(needed), ReadProgress.SILENT);
        List<String> read = RowFields.read(plan);
        return isSame(result.drillDown().star(), again, read, rows)
                ? new WiderRows(ShownFields.of(plan, ids, again), false)
                : new WiderRows(ShownFields.of(plan, read, result.drillDown().star()), true);
    }

    /** Whether rows read a second time are what they were, by all that both readings have. */
    private static boolean isSame(Star star, Star again, List<String> fields, int[] rows) {
        return star.rowCount() == again.rowCount()
                && fields.stream().allMatch(field -> isSame(star, again, field, rows));
    }

    private static boolean isSame(Star star, Star again, String field, int[] rows) {
        int table = star.dataset().field(field).table();
        Column first = star.table(table).fields().get(field);
        Column second = again.table(table).fields().get(field);
        int[] path = star.path(DatasetModel.GRAIN, table);
        int[] pathAgain = again.path(DatasetModel.GRAIN, table);
        for (int row : rows) {
            if (!Scalars.at(first, path[row]).equals(Scalars.at(second, pathAgain[row]))) {
                return false;
            }
        }
        return true;
    }
}
