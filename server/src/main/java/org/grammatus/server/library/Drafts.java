package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.DRAFT;

import java.time.Clock;
import java.util.Optional;
import org.grammatus.server.account.Account;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.store.Store;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;

/** What people have changed but not saved, one draft a person and report. */
@Component
class Drafts {

    private final Store store;
    private final Clock clock;

    Drafts(Store store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /**
     * A draft.
     *
     * @param definition the document as it stood, right or wrong
     * @param base the revision it was made from
     * @param updatedAt milliseconds since 1970-01-01 UTC
     */
    record Draft(String definition, long base, long updatedAt) {}

    Optional<Draft> find(String report, Account account) {
        return store.read()
                .select(DRAFT.DEFINITION, DRAFT.BASE_REVISION, DRAFT.UPDATED_AT)
                .from(DRAFT)
                .where(DRAFT.REPORT_ID.eq(report))
                .and(DRAFT.ACCOUNT_ID.eq(account.id()))
                .fetchOptional(row -> new Draft(row.value1(), row.value2(), row.value3()));
    }

    /**
     * Keeps a draft in the place of the one before it.
     *
     * @param seen when the draft before it was kept, as far as whoever sends this one knows, 0 for none; nothing where it does not matter
     * @return when it was kept
     * @throws ConflictException if another window of the same person has kept a draft since, which stays
     */
    long keep(String report, String definition, long base, Optional<Long> seen, Account account) {
        return store.write().transactionResult(all -> {
            DSLContext write = all.dsl();
            Optional<Long> before = write.select(DRAFT.UPDATED_AT)
                    .from(DRAFT)
                    .where(DRAFT.REPORT_ID.eq(report))
                    .and(DRAFT.ACCOUNT_ID.eq(account.id()))
                    .fetchOptional(DRAFT.UPDATED_AT);
            if (seen.isPresent() && before.isPresent() && !before.equals(seen)) {
                throw new ConflictException(
                        "This report was changed in another window of yours. Your changes in this window are not kept yet.");
            }
            long now = Math.max(clock.millis(), before.orElse(0L) + 1);
            write.insertInto(DRAFT)
                    .set(DRAFT.REPORT_ID, report)
                    .set(DRAFT.ACCOUNT_ID, account.id())
                    .set(DRAFT.DEFINITION, definition)
                    .set(DRAFT.BASE_REVISION, base)
                    .set(DRAFT.UPDATED_AT, now)
                    .onConflict(DRAFT.REPORT_ID, DRAFT.ACCOUNT_ID)
                    .doUpdate()
                    .set(DRAFT.DEFINITION, definition)
                    .set(DRAFT.BASE_REVISION, base)
                    .set(DRAFT.UPDATED_AT, now)
                    .execute();
            return now;
        });
    }

    void discard(String report, Account account) {
        store.write()
                .deleteFrom(DRAFT)
                .where(DRAFT.REPORT_ID.eq(report))
                .and(DRAFT.ACCOUNT_ID.eq(account.id()))
                .execute();
    }
}
