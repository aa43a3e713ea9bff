package org.grammatus.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;
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

    /**
     * The table of a report that has one.
     *
     * @throws IllegalStateException if it has none or several
     */
    public TablePlan table() {
        if (blocks.size() != 1 || !(blocks.getFirst() instanceof TablePlan table)) {
            throw new IllegalStateException("The report is not one table");
        }
        return table;
    }

    /**
     * What is computed for a block.
     *
     * @throws IllegalArgumentException if there is none of the id
     */
    public TablePlan facts(String id) {
        return blocks.stream()
                .filter(block -> block.id().equals(id))
                .findFirst()
                .map(BlockPlan::facts)
                .orElseThrow(() -> new IllegalArgumentException("No block is called " + id));
    }

    /** The same with the facts of every block changed in some way. */
    public Plan withFacts(UnaryOperator<TablePlan> change) {
        return new Plan(
                inputs,
                blocks.stream()
                        .map(block -> block.with(change.apply(block.facts())))
                        .toList(),
                rows,
                notices);
    }

    /** The datasets that are read, each once. */
    public List<DatasetModel> datasets() {
        List<DatasetModel> datasets = new ArrayList<>();
        for (BlockPlan block : blocks) {
            if (datasets.stream()
                    .noneMatch(known -> known.asRead().equals(block.dataset().asRead()))) {
                datasets.add(block.dataset());
            }
        }
        looks().forEach(has -> {
            DatasetModel other = lookedInto(has);
            if (datasets.stream().noneMatch(known -> known.asRead().equals(other.asRead()))) {
                datasets.add(other);
            }
        });
        return datasets;
    }

    /** Everything by which conditions look for rows of datasets. */
    public List<Typed.SemiJoin> looks() {
        return blocks.stream()
                .flatMap(block -> block.facts().looks())
                .distinct()
                .toList();
    }

    /** The dataset of which rows are looked for. */
    public DatasetModel lookedInto(Typed.SemiJoin has) {
        return inputs.datasets().byId(has.dataset()).orElseThrow();
    }

    /** The blocks over a dataset. */
    public List<BlockPlan> over(DatasetModel dataset) {
        return blocks.stream()
                .filter(block -> block.dataset().asRead().equals(dataset.asRead()))
                .toList();
    }
}
