package org.grammatus.server;

import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Set;
import java.util.function.Supplier;
import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.demo.ScenarioDatabase;

/**
 * The demo's business date is its data's last day; over other data it is the day that a clock shows in the report's zone, else in the
 * installation's.
 */
record DayOfRuns(Path database, ZoneId zone, Clock clock, Supplier<Set<LocalDate>> holidays) implements BusinessDate {

    @Override
    public RunContext now() {
        return in(zone);
    }

    @Override
    public RunContext of(Report report) {
        return in(report.zone().flatMap(RunContext::zone).orElse(zone));
    }

    private RunContext in(ZoneId where) {
        return new RunContext(
                ScenarioDatabase.businessDate(database).orElseGet(() -> LocalDate.now(clock.withZone(where))),
                where,
                holidays.get());
    }
}
