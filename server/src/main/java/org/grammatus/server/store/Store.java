package org.grammatus.server.store;

import static org.grammatus.server.store.generated.Tables.RUN;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import org.flywaydb.core.Flyway;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** The records database. SQLite takes one writer at a time, so writing has one connection and reading its own. */
@Component
public class Store implements AutoCloseable {

    /** What a run is called that a stopped server left unfinished. */
    public static final String INTERRUPTED = "INTERRUPTED";

    /** What was acknowledged is on the disk, whatever happens to the machine. */
    private static final String OPTIONS = "?journal_mode=WAL&busy_timeout=5000&foreign_keys=on&synchronous=FULL";

    private static final int READERS = 4;

    private final HikariDataSource writing;
    private final HikariDataSource reading;
    private final DSLContext write;
    private final DSLContext read;

    public Store(DataFolder folder) {
        System.setProperty("org.jooq.no-logo", "true");
        System.setProperty("org.jooq.no-tips", "true");
        String url = "jdbc:sqlite:" + folder.records().toAbsolutePath() + OPTIONS;
        this.writing = pool(url + "&transaction_mode=IMMEDIATE", 1);
        Flyway.configure().dataSource(writing).load().migrate();
        this.reading = pool(url, READERS);
        this.write = DSL.using(writing, SQLDialect.SQLITE);
        this.read = DSL.using(reading, SQLDialect.SQLITE);
    }

    private static HikariDataSource pool(String url, int size) {
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl(url);
        config.setMaximumPoolSize(size);
        return new HikariDataSource(config);
    }

    /** For statements that change records. */
    public DSLContext write() {
        return write;
    }

    /** For queries. */
    public DSLContext read() {
        return read;
    }

    /** Runs that a stopped server left unfinished will not go on. */
    public void markInterruptedRuns() {
        write.update(RUN)
                .set(RUN.STATE, INTERRUPTED)
                .where(RUN.ENDED_AT.isNull())
                .and(RUN.STATE.ne(INTERRUPTED))
                .execute();
    }

    @Override
    public void close() {
        reading.close();
        writing.close();
    }
}
