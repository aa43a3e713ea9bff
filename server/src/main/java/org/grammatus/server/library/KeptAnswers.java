package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.KEPT_ANSWERS;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.grammatus.server.account.Account;
import org.grammatus.server.store.Store;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Answers that people keep under a name, for themselves or, as authors, for all who run the report. */
@Component
class KeptAnswers {

    private static final TypeReference<Map<String, String>> BY_PROMPT = new TypeReference<>() {};

    private final Store store;
    private final JsonMapper json;
    private final Clock clock;

    KeptAnswers(Store store, JsonMapper json, Clock clock) {
        this.store = store;
        this.json = json;
        this.clock = clock;
    }

    /**
     * Kept answers.
     *
     * @param mine whether the account asked for kept them
     * @param forAll whether everybody who runs the report is offered them
     * @param answers by prompt name, as written: what rolls stays rolling
     */
    record Kept(long id, String name, boolean mine, boolean forAll, Map<String, String> answers) {}

    /** Those of an account and those for all, by name. */
    List<Kept> of(String report, Account account) {
        return store.read()
                .selectFrom(KEPT_ANSWERS)
                .where(KEPT_ANSWERS.REPORT_ID.eq(report))
                .and(KEPT_ANSWERS.ACCOUNT_ID.eq(account.id()).or(KEPT_ANSWERS.FOR_ALL))
                .orderBy(KEPT_ANSWERS.NAME, KEPT_ANSWERS.ID)
                .fetch(row -> new Kept(
                        row.getId(),
                        row.getName(),
                        row.getAccountId() == account.id(),
                        row.getForAll(),
                        json.readValue(row.getAnswers(), BY_PROMPT)));
    }

    /** Keeps answers; those of the same account and name give way. */
    void keep(String report, String name, boolean forAll, Map<String, String> answers, Account account) {
        String written = json.writeValueAsString(answers);
        store.write()
                .insertInto(KEPT_ANSWERS)
                .set(KEPT_ANSWERS.REPORT_ID, report)
                .set(KEPT_ANSWERS.ACCOUNT_ID, account.id())
                .set(KEPT_ANSWERS.NAME, name)
                .set(KEPT_ANSWERS.FOR_ALL, forAll)
                .set(KEPT_ANSWERS.ANSWERS, written)
                .set(KEPT_ANSWERS.SAVED_AT, clock.millis())
                .onConflict(KEPT_ANSWERS.REPORT_ID, KEPT_ANSWERS.ACCOUNT_ID, KEPT_ANSWERS.NAME)
                .doUpdate()
                .set(KEPT_ANSWERS.FOR_ALL, forAll)
                .set(KEPT_ANSWERS.ANSWERS, written)
                .set(KEPT_ANSWERS.SAVED_AT, clock.millis())
                .execute();
    }

    /** Whether there were such of the account's own, which are gone now. */
    boolean discard(String report, long id, Account account) {
        return store.write()
                        .deleteFrom(KEPT_ANSWERS)
                        .where(KEPT_ANSWERS.ID.eq(id))
                        .and(KEPT_ANSWERS.REPORT_ID.eq(report))
                        .and(KEPT_ANSWERS.ACCOUNT_ID.eq(account.id()))
                        .execute()
                > 0;
    }
}
