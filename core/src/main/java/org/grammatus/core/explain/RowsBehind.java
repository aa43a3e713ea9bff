package org.grammatus.core.explain;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.grammatus.core.band.Printed;
import org.grammatus.core.band.ValueFormat;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.table.Column;

/**
 * The rows behind a group's figures, some at a time, with every field that the report reads.
 *
 * @param scope the group's path
 * @param noun what rows are called
 * @param fields the fields' labels
 * @param numeric by field: whether its values are figures
 * @param offset how many rows come before these
 * @param all how many rows there are
 * @param rows printed values, row by row
 */
public record RowsBehind(
        List<String> scope,
        String noun,
        List<String> fields,
        List<Boolean> numeric,
        int offset,
        int all,
        List<List<String>> rows) {

    /** The most rows given at once. */
    public static final int MOST = 500;

    /** The fields that a report reads, in the dataset's order. */
    public static List<DatasetModel.FieldInfo> fields(Plan plan) {
        return plan.dataset().fields().values().stream()
                .filter(field -> plan.fields().contains(field.definition().id()))
                .toList();
    }

    /** Rows of a group in row order. */
    public static RowsBehind of(Grouped grouped, Printed printed, int node, int offset, int limit) {
        Plan plan = grouped.plan();
        DatasetModel dataset = plan.dataset();
        int[] all = grouped.behind().rows(node, grouped.tree().depthOf(node));
        int from = Math.clamp(offset, 0, all.length);
        int to = Math.min(all.length, from + Math.clamp(limit, 0, MOST));
        int[] shown = Arrays.copyOfRange(all, from, to);
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < shown.length; i++) {
            rows.add(new ArrayList<>());
        }
        List<String> labels = new ArrayList<>();
        List<Boolean> numeric = new ArrayList<>();
        for (DatasetModel.FieldInfo field : fields(plan)) {
            String id = field.definition().id();
            labels.add(field.definition().label());
            numeric.add(field.type().isNumber());
            Column values = grouped.star().table(field.table()).fields().get(id);
            int[] path = grouped.star().path(DatasetModel.GRAIN, field.table());
            ValueFormat format = new ValueFormat(field.type(), Formats.of(field), plan.locale());
            for (int i = 0; i < shown.length; i++) {
                rows.get(i).add(format.format(values, path[shown[i]]));
            }
        }
        return new RowsBehind(
                WhyFigure.path(grouped, printed, node),
                dataset.table(DatasetModel.GRAIN).noun().of(all.length),
                labels,
                numeric,
                from,
                all.length,
                rows);
    }
}
