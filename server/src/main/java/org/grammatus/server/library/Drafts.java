package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.DRAFT;

import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
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
     * @param window id of the window that kept it, where that is known
     */
    record Draft(String definition, long base, long updatedAt, Optional<UUID> window) {

        /** Whether a window may put another draft in the place of this one: it has kept this one itself, or knows of it. */
        private boolean yieldsTo(Window other) {
            return window.equals(Optional.of(other.id())) || updatedAt == other.seen();
        }
    }

    /**
     * A window in which its author changes a report.
     *
     * @param id its own, made when the browser loads the product
     * @param seen when the last draft was kept that it knows of, in milliseconds since 1970-01-01 UTC; 0 for none
     */
    record Window(UUID id, long seen) {}

    Optional<Draft> find(String report, Account account) {
        return find(store.read(), report, account);
    }

    private static Optional<Draft> find(DSLContext read, String report, Account account) {
        return read.select(DRAFT.DEFINITION, DRAFT.BASE_REVISION, DRAFT.UPDATED_AT, DRAFT.WINDOW_ID)
                .from(DRAFT)
                .where(DRAFT.REPORT_ID.eq(report))
                .and(DRAFT.ACCOUNT_ID.eq(account.id()))
                .fetchOptional(row -> new Draft(
                        row.value1(),
                        row.value2(),
                        row.value3(),
                        Optional.ofNullable(row.value4()).map(UUID::fromString)));
    }

    /**
     * Keeps a draft in the place of the one before it.
     *
     * @param window where it was made; nothing where it does not matter what other windows have kept
     * @return when it was kept
     * @throws ConflictException if another window of the same person has kept a different draft since, which stays
     */
    long keep(String report, String definition, long base, Optional<Window> window, Account account) {
        return store.write().transactionResult(all -> {
            DSLContext write = all.dsl();
            Optional<Draft> before = find(write, report, account);
            requireKnown(before, definition, window);
            long now = Math.max(clock.millis(), before.map(Draft::updatedAt).orElse(0L) + 1);
            String windowId = window.map(Window::id).map(UUID::toString).orElse(null);
            write.insertInto(DRAFT)
                    .set(DRAFT.REPORT_ID, report)
                    .set(DRAFT.ACCOUNT_ID, account.id())
                    .set(DRAFT.DEFINITION, definition)
                    .set(DRAFT.BASE_REVISION, base)
                    .set(DRAFT.UPDATED_AT, now)
                    .set(DRAFT.WINDOW_ID, windowId)
                    .onConflict(DRAFT.REPORT_ID, DRAFT.ACCOUNT_ID)
                    .doUpdate()
                    .set(DRAFT.DEFINITION, definition)
                    .set(DRAFT.BASE_REVISION, base)
                    .set(DRAFT.UPDATED_AT, now)
                    .set(DRAFT.WINDOW_ID, windowId)
                    .execute();
            return now;
        });
    }

    /**
     * Makes sure that nothing is lost where something else takes the place of a draft.
     *
     * @throws ConflictException if another window of the same person has kept a different draft that this one does not know of
     */
    void requireKnown(String report, String definition, Optional<Window> window, Account account) {
        requireKnown(find(report, account), definition, window);
    }

    private static void requireKnown(Optional<Draft> before, String definition, Optional<Window> window) {
        boolean isNews =
                before.filter(draft -> !draft.definition().equals(definition)).isPresent();
        if (isNews && window.isPresent() && !before.get().yieldsTo(window.get())) {
            throw new ConflictException(
                    "This report was changed in another window of yours. Your changes in this window are not kept yet.");
        }
    }

    void discard(String report, Account account) {
        store.write()
                .deleteFrom(DRAFT)
                .where(DRAFT.REPORT_ID.eq(report))
                .and(DRAFT.ACCOUNT_ID.eq(account.id()))
                .execute();
    }
}
