package org.grammatus.core.plan;

import java.util.Set;
import org.grammatus.core.dataset.DatasetModel;

/** One of the things that a report is made of, ready to be read and computed. */
public sealed interface BlockPlan permits TablePlan {

    /** Its id, unique in the report. */
    String id();

    /** Where it stands in the definition. */
    String pointer();

    /** The dataset that it is over. */
    DatasetModel dataset();

    /** Ids of the fields that must be read for it. */
    Set<String> fields();

    /** What all blocks of the report are made with. */
    RunInputs inputs();
}
