package org.grammatus.server.run;

import static org.grammatus.server.store.generated.Tables.RUN;

import java.time.Clock;
import java.util.Map;
import java.util.stream.Collectors;
import org.grammatus.core.problem.Problem;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunProgress;
import org.grammatus.runs.RunState;
import org.grammatus.server.account.Account;
import org.grammatus.server.store.Store;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Who ran what, when, with which answers, and how it ended. */
@Component
public class RunRecords {

    private final Store store;
    private final JsonMapper json;
    private final Clock clock;

    RunRecords(Store store, JsonMapper json, Clock clock) {
        this.store = store;
        this.json = json;
        this.clock = clock;
    }

    /**
     * Records that a run was started.
     *
     * @param inputs what it depends on besides its answers and its business date
     */
    void started(Run run, RecordedInputs inputs, Account account) {
        store.write()
                .insertInto(RUN)
                .set(RUN.ID, run.id())
                .set(RUN.REPORT_ID, run.request().report().id())
                .set(RUN.ACCOUNT_ID, account.id())
                .set(
                        RUN.ANSWERS,
                        json.writeValueAsString(run.request().answers().written()))
                .set(RUN.BUSINESS_DATE, run.request().context().businessDate().toString())
                .set(RUN.INPUTS, json.writeValueAsString(inputs))
                .set(RUN.STATE, RunState.WAITING.name())
                .set(RUN.STARTED_AT, run.startedAt().toEpochMilli())
                .execute();
    }

    void ended(Run run) {
        RunProgress end = run.progress();
        boolean failed = end.state() == RunState.FAILED;
        store.write()
                .update(RUN)
                .set(RUN.STATE, end.state().name())
                .set(RUN.ENDED_AT, clock.millis())
                .set(RUN.ROWS_READ, end.rowsRead())
                .set(RUN.ROWS_KEPT, end.rowsKept())
                .set(RUN.PAGES, (long) end.pages())
                .set(
                        RUN.PROBLEM,
                        failed
                                ? end.problems().stream().map(Problem::toString).collect(Collectors.joining("\n"))
                                : null)
                .where(RUN.ID.eq(run.id()))
                .execute();
    }

    /** What an account answered the last time that it ran a report, by prompt name; nothing the first time. */
    public Map<String, String> lastAnswers(String report, Account account) {
        return store.read()
                .select(RUN.ANSWERS)
                .from(RUN)
                .where(RUN.ACCOUNT_ID.eq(account.id()).and(RUN.REPORT_ID.eq(report)))
                .orderBy(RUN.STARTED_AT.desc())
                .limit(1)
                .fetchOptional(row -> json.readValue(row.value1(), new TypeReference<Map<String, String>>() {}))
                .orElse(Map.of());
    }

    /** By report: when an account last started a run, milliseconds since 1970-01-01 UTC. */
    public Map<String, Long> lastRuns(Account account) {
        return store.read()
                .select(RUN.REPORT_ID, DSL.max(RUN.STARTED_AT))
                .from(RUN)
                .where(RUN.ACCOUNT_ID.eq(account.id()))
                .groupBy(RUN.REPORT_ID)
                .fetchMap(row -> row.value1(), row -> row.value2());
    }
}
