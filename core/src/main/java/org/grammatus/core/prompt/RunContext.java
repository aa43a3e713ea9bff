package org.grammatus.core.prompt;

import java.time.LocalDate;
import java.time.ZoneId;

/**
 * What a run depends on besides the definition, the answers and the rows; never read from a clock inside core.
 *
 * @param businessDate the day that counts as today
 * @param zone the zone in which timestamps with a zone are read
 */
public record RunContext(LocalDate businessDate, ZoneId zone) {

    /** A business date in UTC, the zone of reports that name none. */
    public static RunContext on(LocalDate businessDate) {
        return new RunContext(businessDate, ZoneId.of("UTC"));
    }
}
