package org.grammatus.server.store;

import static org.grammatus.server.store.generated.Tables.DATASET_REVISION;
import static org.grammatus.server.store.generated.Tables.REVISION;
import static org.grammatus.server.store.generated.Tables.RUN;

import java.time.Clock;
import java.time.Duration;
import org.jooq.exception.DataAccessException;
import org.jooq.impl.DSL;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Lets go of old records: of runs those that ended more than {@value #RUN_DAYS} days ago; of saved states all but the newest
 * {@value #REVISIONS} of each report and dataset, and those of the last {@value #REVISION_DAYS} days.
 */
@Component
public class Pruning {

    static final int RUN_DAYS = 180;
    static final int REVISIONS = 100;
    static final int REVISION_DAYS = 180;

    private static final System.Logger LOG = System.getLogger(Pruning.class.getName());

    private final Store store;
    private final Clock clock;

    Pruning(Store store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    @Scheduled(initialDelayString = "PT10M", fixedDelayString = "PT24H")
    void prune() {
        try {
            runs();
            revisions();
        } catch (DataAccessException e) {
            LOG.log(System.Logger.Level.WARNING, "Old records could not be let go; this is tried again tomorrow", e);
        }
    }

    private void runs() {
        store.write().deleteFrom(RUN).where(RUN.STARTED_AT.lt(before(RUN_DAYS))).execute();
    }

    private void revisions() {
        var newest = DSL.select(DSL.max(REVISION.as("n").NUMBER))
                .from(REVISION.as("n"))
                .where(REVISION.as("n").REPORT_ID.eq(REVISION.REPORT_ID))
                .asField();
        store.write()
                .deleteFrom(REVISION)
                .where(REVISION.SAVED_AT.lt(before(REVISION_DAYS)))
                .and(REVISION.NUMBER.le(newest.coerce(Long.class).minus(REVISIONS)))
                .execute();
        var newestOfDataset = DSL.select(DSL.max(DATASET_REVISION.as("n").NUMBER))
                .from(DATASET_REVISION.as("n"))
                .where(DATASET_REVISION.as("n").DATASET_ID.eq(DATASET_REVISION.DATASET_ID))
                .asField();
        store.write()
                .deleteFrom(DATASET_REVISION)
                .where(DATASET_REVISION.SAVED_AT.lt(before(REVISION_DAYS)))
                .and(DATASET_REVISION.NUMBER.le(
                        newestOfDataset.coerce(Long.class).minus(REVISIONS)))
                .execute();
    }

    private long before(int days) {
        return clock.millis() - Duration.ofDays(days).toMillis();
    }
}
