package org.grammatus.sources;

import org.grammatus.core.plan.Plan;
import org.grammatus.core.table.Star;

/** Where a dataset's rows come from. */
public interface Source {

    /**
     * Reads the rows and fields that a plan needs.
     *
     * @throws SourceException if they cannot be read
     */
    Star read(Plan plan, ReadProgress progress);

    /** What the source is called on pages and in records: no secrets in it. */
    String name();
}
