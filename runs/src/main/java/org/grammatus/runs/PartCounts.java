package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.explain.InWords;
import org.grammatus.core.group.DrillDown;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.ColumnOrder;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.rows.FilterCounts;

/**
 * What each part of a definition does to the rows.
 *
 * @param filters by filter that applies, and by part of it: what it keeps
 * @param levels by level that is switched on: its order in words, and how many groups it has
 * @param columns by column that is switched on: what ordering by it means
 * @param marked by highlight that is switched on: how many rows it marks
 */
public record PartCounts(
        List<FilterCounts.FilterCount> filters,
        List<LevelOrder> levels,
        List<ColumnOrder> columns,
        List<Count> marked,
        List<BlockCount> blocks) {

    /** A number of rows beside a part, by its id. */
    public record Count(String id, long count) {}

    /** A level's order in words, by its id. */
    public record LevelOrder(String id, String words, int groups) {}

    /**
     * What a block keeps.
     *
     * @param id the block's id
     * @param read rows of its dataset
     * @param rows that meet its conditions
     * @param groups that it has
     */
    public record BlockCount(String id, int read, int rows, int groups) {}

    public static PartCounts of(RunResult result) {
        PartCounts counts = new PartCounts(
                new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        result.results().forEach(counts::add);
        return counts;
    }

    private void add(BlockResult table) {
        TableResult grouped = table.grouped();
        TablePlan plan = grouped.plan();
        DrillDown rows = table.grouping().drillDown();
        blocks.add(new BlockCount(plan.id(), rows.star().rowCount(), grouped.rowsKept(), table.places() - 1));
        // What the report keeps is the same in every table: its own conditions stand before a table's.
        FilterCounts.of(plan, rows.star(), rows.kept(), table.made().meeting(), () -> false).stream()
                .filter(count -> filters.stream().noneMatch(known -> known.id().equals(count.id())))
                .forEach(filters::add);
        InWords words = new InWords(plan.dataset());
        for (int i = 0; i < plan.levels().size(); i++) {
            LevelPlan level = plan.levels().get(i);
            int groups = grouped.groups().keys().get(i + 1).orElseThrow().size();
            levels.add(new LevelOrder(level.id(), words.order(level, plan.totals()), groups));
        }
        columns.addAll(ColumnOrder.of(plan));
        for (int i = 0; i < plan.highlights().size(); i++) {
            marked.add(new Count(plan.highlights().get(i).id(), grouped.marks().count(i)));
        }
    }
}
