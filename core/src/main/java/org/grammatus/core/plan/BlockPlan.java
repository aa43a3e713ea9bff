package org.grammatus.core.plan;

import java.util.Optional;
import java.util.Set;
import org.grammatus.core.dataset.DatasetModel;

/** A block of a report with everything resolved; its pointer says where the block stands in the definition. */
public sealed interface BlockPlan permits TablePlan, FiguresPlan, TextPlan {

    /** What is computed over its rows: the table itself, or for other kinds a table without groups whose totals they show. */
    TablePlan facts();

    /** The same with other facts. */
    BlockPlan with(TablePlan facts);

    /** Its id, unique in the report. */
    default String id() {
        return facts().id();
    }

    /** Where it stands in the definition. */
    default String pointer() {
        return facts().pointer();
    }

    default Optional<String> title() {
        return facts().title();
    }

    default Optional<TablePlan.GroupText> note() {
        return facts().note();
    }

    /** The dataset that it is over. */
    default DatasetModel dataset() {
        return facts().dataset();
    }

    /** Ids of the fields that must be read for it. */
    default Set<String> fields() {
        return facts().fields();
    }

    /** What all blocks of the report are made with. */
    default RunInputs inputs() {
        return facts().inputs();
    }
}
