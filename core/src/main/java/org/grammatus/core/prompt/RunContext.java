package org.grammatus.core.prompt;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import java.util.Set;

/**
 * What a run depends on besides the definition, the answers and the rows; never read from a clock inside core.
 *
 * @param businessDate the day that counts as today
 * @param zone the zone in which timestamps with a zone are read
 * @param holidays days on which nobody works, besides Saturdays and Sundays
 */
public record RunContext(LocalDate businessDate, ZoneId zone, Set<LocalDate> holidays) {

    public RunContext {
        holidays = Set.copyOf(holidays);
    }

    /** A day where no holidays are known. */
    public RunContext(LocalDate businessDate, ZoneId zone) {
        this(businessDate, zone, Set.of());
    }

    /** The zone of a report or installation that says none. */
    public static final ZoneId UTC = ZoneId.of("UTC");

    /**
     * Finds a time zone by its IANA name, such as {@code Europe/Berlin}.
     *
     * @return none where there is no such zone
     */
    public static Optional<ZoneId> zone(String name) {
        return ZoneId.getAvailableZoneIds().contains(name) ? Optional.of(ZoneId.of(name)) : Optional.empty();
    }

    /** A business date in UTC. */
    public static RunContext on(LocalDate businessDate) {
        return new RunContext(businessDate, UTC);
    }
}
