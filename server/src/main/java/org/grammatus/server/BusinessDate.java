package org.grammatus.server;

import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.RunContext;

/** Tells the day that counts as today, and the zone. */
public interface BusinessDate {

    /** For what is no report's. */
    RunContext now();

    /** For a report, whose own zone decides both, if it has one. */
    RunContext of(Report report);
}
