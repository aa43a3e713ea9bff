package org.grammatus.server.dataset;

import static org.grammatus.server.store.generated.Tables.HOLIDAY;

import java.time.LocalDate;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.server.store.Store;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** The days on which nobody works, which administrators keep. Thread-safe. */
@Component
public class Holidays {

    private final Store store;
    private volatile Set<LocalDate> days;

    Holidays(Store store) {
        this.store = store;
        this.days =
                Set.copyOf(store.read().select(HOLIDAY.DAY).from(HOLIDAY).fetch(row -> LocalDate.parse(row.value1())));
    }

    public Set<LocalDate> days() {
        return days;
    }

    synchronized void set(Set<LocalDate> others) {
        store.write().transaction(change -> {
            DSLContext sql = DSL.using(change);
            sql.deleteFrom(HOLIDAY).execute();
            for (LocalDate day : new TreeSet<>(others)) {
                sql.insertInto(HOLIDAY).set(HOLIDAY.DAY, day.toString()).execute();
            }
        });
        days = Set.copyOf(others);
    }
}
