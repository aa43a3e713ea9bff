package org.grammatus.core.explain;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.grammatus.core.band.ValueFormat;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.GroupingStep;

/**
 * The rows behind a group's figures, some at a time.
 *
 * @param scope the group's path
 * @param noun what rows are called
 * @param fields the labels of the fields that are shown
 * @param ids the fields' ids
 * @param numeric by field: whether its values are figures
 * @param offered all that the rows can be shown with
 * @param changed whether the data have changed since the run, so that only fields are there that it read
 * @param offset how many rows come before these
 * @param all how many rows there are
 * @param rows printed values, row by row
 */
public record RowsBehind(
        List<String> scope,
        String noun,
        List<String> fields,
        List<String> ids,
        List<Boolean> numeric,
        List<RowFields.Offered> offered,
        boolean changed,
        int offset,
        int all,
        List<List<String>> rows) {

    /** The most rows given at once. */
    public static final int MOST = 500;

    /**
     * Some of the rows of a group.
     *
     * @param rows their numbers at the grain, in row order
     * @param from how many come before them
     * @param all how many there are
     */
    public record Some(int[] rows, int from, int all) {

        /** Those of some rows from an offset on, at most {@value RowsBehind#MOST}; what cannot be is the nearest that can. */
        public static Some of(int[] all, int offset, int limit) {
            int from = Math.clamp(offset, 0, all.length);
            int to = Math.min(all.length, from + Math.clamp(limit, 0, MOST));
            return new Some(Arrays.copyOfRange(all, from, to), from, all.length);
        }
    }

    /**
     * Rows with the values of fields.
     *
     * @param scope what they are the rows of
     */
    public static RowsBehind of(
            GroupingStep.Result result, List<String> scope, Some some, ShownFields shown, boolean changed) {
        DatasetModel dataset = result.grouped().plan().dataset();
        int[] shownRows = some.rows();
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < shownRows.length; i++) {
            rows.add(new ArrayList<>());
        }
        for (ShownFields.Field field : shown.fields()) {
            ValueFormat format = new ValueFormat(
                    field.type(), field.pattern(), result.grouped().plan().locale());
            for (int i = 0; i < shownRows.length; i++) {
                rows.get(i).add(format.format(field.values(), field.path()[shownRows[i]]));
            }
        }
        return new RowsBehind(
                scope,
                dataset.table(DatasetModel.GRAIN).noun().of(some.all()),
                shown.fields().stream().map(ShownFields.Field::label).toList(),
                shown.fields().stream().map(ShownFields.Field::id).toList(),
                shown.fields().stream().map(field -> field.type().isNumber()).toList(),
                RowFields.offered(result.grouped().plan()),
                changed,
                some.from(),
                some.all(),
                rows);
    }
}
