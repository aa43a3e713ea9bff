package org.grammatus.server;

import java.time.Clock;
import org.grammatus.runs.Previews;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunService;
import org.grammatus.runs.modelling.Composer;
import org.grammatus.runs.rowcache.HeldRows;
import org.grammatus.runs.rowcache.SpillFolder;
import org.grammatus.runs.turns.Turns;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.account.RowAccess;
import org.grammatus.server.dataset.Holidays;
import org.grammatus.server.library.StarterReports;
import org.grammatus.server.source.Sources;
import org.grammatus.server.store.Store;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.star.StarReader;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The server's parts. */
@SpringBootApplication
@EnableScheduling
class ServerConfiguration {

    /** How much more room there is on disk for rows that memory has no room for. */
    private static final int SPILL = 4;
    /** How many of one person's requests may wait for their turn. */
    private static final int MOST_WAITING = 24;

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    @Bean
    HeldRows reader(Sources sources, ServerSettings settings, Clock clock) {
        long budget = HeldRows.defaultBudget();
        SpillFolder folder = new SpillFolder(settings.dataDir().resolve("held-rows"), SPILL * budget);
        return new HeldRows(new StarReader(sources, ReadLimits.DEFAULT), budget, folder, clock, settings.zone());
    }

    @Bean
    Composer composer(Sources sources) {
        return new Composer(sources, ReadLimits.DEFAULT);
    }

    @Bean
    RunService runService(Clock clock, HeldRows held) {
        return new RunService(RunLimits.DEFAULT, HeldRows.defaultBudget(), clock, held);
    }

    /** Turns of requests that look through many rows; what waits holds a request thread, so that little may. */
    @Bean
    Turns turns() {
        int processors = Runtime.getRuntime().availableProcessors();
        return new Turns(Math.max(4, 2 * processors), Math.max(1, processors - 1), MOST_WAITING);
    }

    @Bean
    Previews previews(RunService runs, RowAccess rows, Clock clock) {
        return new Previews(runs, rows, clock);
    }

    @Bean
    BusinessDate businessDate(ServerSettings settings, Clock clock, Holidays holidays) {
        return new DayOfRuns(settings.database(), settings.zone(), clock, holidays::days);
    }

    /** Before the port answers: whoever comes finds accounts and reports. */
    @Bean
    SmartInitializingSingleton firstRecords(
            Store store, Accounts accounts, StarterReports starters, ServerSettings settings) {
        return () -> {
            store.markInterruptedRuns();
            starters.add();
            if (settings.demo()) {
                accounts.addDemoAccounts();
            }
        };
    }
}
