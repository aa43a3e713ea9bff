package org.grammatus.core.plan;

import java.util.List;
import java.util.function.UnaryOperator;
import org.grammatus.core.problem.Problem;

/**
 * A report ready to be read and computed: what all of it is made with, and its blocks. Nothing that comes after knows the definition.
 * Immutable.
 *
 * @param blocks in reading order
 * @param rows which blocks stand side by side, from the top
 * @param notices what the reader should know
 */
public record Plan(RunInputs inputs, List<BlockPlan> blocks, List<BlockRowPlan> rows, List<Problem> notices) {

    public Plan {
        blocks = List.copyOf(blocks);
        rows = List.copyOf(rows);
        notices = List.copyOf(notices);
    }

    /** Its tables, in reading order. */
    public List<TablePlan> tables() {
        return blocks.stream()
                .filter(TablePlan.class::isInstance)
                .map(TablePlan.class::cast)
                .toList();
    }

    /**
     * The table of a report that has one.
     *
     * @throws IllegalStateException if it has none or several
     */
    public TablePlan table() {
        List<TablePlan> tables = tables();
        if (tables.size() != 1) {
            throw new IllegalStateException("The report has " + tables.size() + " tables");
        }
        return tables.getFirst();
    }

    /**
     * A table by its id.
     *
     * @throws IllegalArgumentException if there is none
     */
    public TablePlan table(String id) {
        return tables().stream()
                .filter(table -> table.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("No table is called " + id));
    }

    /** The same with every table changed in some way. */
    public Plan withTables(UnaryOperator<TablePlan> change) {
        return new Plan(
                inputs,
                blocks.stream()
                        .map(block -> switch (block) {
                            case TablePlan table -> (BlockPlan) change.apply(table);
                        })
                        .toList(),
                rows,
                notices);
    }
}
