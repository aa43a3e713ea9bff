package org.grammatus.server.dataset;

import static org.grammatus.server.store.generated.Tables.INSTALLATION_CALENDAR;

import java.time.Clock;
import java.util.Optional;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Dataset.YearName;
import org.grammatus.server.ServerSettings;
import org.grammatus.server.account.Account;
import org.grammatus.server.store.Store;
import org.springframework.stereotype.Component;

/** The fiscal calendar of all datasets that have none of their own. Thread-safe. */
@Component
class InstallationCalendar {

    private static final long ONLY = 1;

    private final Store store;
    private final Clock clock;
    private volatile Dataset.Calendar calendar;

    InstallationCalendar(Store store, Clock clock, ServerSettings settings) {
        this.store = store;
        this.clock = clock;
        this.calendar = store.read()
                .selectFrom(INSTALLATION_CALENDAR)
                .fetchOptional(row -> new Dataset.Calendar(
                        row.getFiscalYearStart().intValue(), Optional.of(YearName.valueOf(row.getYearName()))))
                .orElseGet(() -> new Dataset.Calendar(settings.fiscalYearStart(), Optional.of(YearName.BOTH)));
    }

    Dataset.Calendar get() {
        return calendar;
    }

    void set(Dataset.Calendar other, Account account) {
        YearName name = other.yearName().orElse(YearName.BOTH);
        store.write()
                .insertInto(INSTALLATION_CALENDAR)
                .set(INSTALLATION_CALENDAR.ID, ONLY)
                .set(INSTALLATION_CALENDAR.FISCAL_YEAR_START, (long) other.fiscalYearStart())
                .set(INSTALLATION_CALENDAR.YEAR_NAME, name.name())
                .set(INSTALLATION_CALENDAR.ACCOUNT_ID, account.id())
                .set(INSTALLATION_CALENDAR.SAVED_AT, clock.millis())
                .onConflict(INSTALLATION_CALENDAR.ID)
                .doUpdate()
                .set(INSTALLATION_CALENDAR.FISCAL_YEAR_START, (long) other.fiscalYearStart())
                .set(INSTALLATION_CALENDAR.YEAR_NAME, name.name())
                .set(INSTALLATION_CALENDAR.ACCOUNT_ID, account.id())
                .set(INSTALLATION_CALENDAR.SAVED_AT, clock.millis())
                .execute();
        calendar = new Dataset.Calendar(other.fiscalYearStart(), Optional.of(name));
    }
}
