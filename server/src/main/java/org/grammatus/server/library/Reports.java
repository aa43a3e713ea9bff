package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.ACCOUNT;
import static org.grammatus.server.store.generated.Tables.REPORT;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.Definitions;
import org.grammatus.core.definition.Report;
import org.grammatus.core.plan.Planner;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.prompt.Answers;
import org.grammatus.demo.Starters;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.Account;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.store.Store;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** The reports on record. Starter reports are everybody's; others belong to the author who added them. */
@Component
public class Reports {

    private final Store store;
    private final Datasets datasets;
    private final BusinessDate businessDate;
    private final Clock clock;

    Reports(Store store, Datasets datasets, BusinessDate businessDate, Clock clock) {
        this.store = store;
        this.datasets = datasets;
        this.businessDate = businessDate;
        this.clock = clock;
    }

    /**
     * A report as it stands in the library.
     *
     * @param owner its author's name; none for a starter report
     */
    public record Entry(
            String id,
            String title,
            Optional<String> description,
            Optional<String> owner,
            boolean starter,
            long updatedAt) {}

    /** The reports an account may run, by title. */
    public List<Entry> visibleTo(Account account) {
        return store.read()
                .select(
                        REPORT.ID,
                        REPORT.TITLE,
                        REPORT.DESCRIPTION,
                        ACCOUNT.DISPLAY_NAME,
                        REPORT.STARTER,
                        REPORT.UPDATED_AT)
                .from(REPORT)
                .leftJoin(ACCOUNT)
                .on(ACCOUNT.ID.eq(REPORT.OWNER_ID))
                .where(visible(account))
                .orderBy(DSL.lower(REPORT.TITLE), REPORT.ID)
                .fetch(row -> new Entry(
                        row.value1(),
                        row.value2(),
                        Optional.ofNullable(row.value3()),
                        Optional.ofNullable(row.value4()),
                        row.value5(),
                        row.value6()));
    }

    private static Condition visible(Account account) {
        return REPORT.STARTER.isTrue().or(REPORT.OWNER_ID.eq(account.id()));
    }

    /**
     * A report's definition.
     *
     * @throws NotFoundException if there is none, or it is somebody else's
     */
    public Report definition(String id, Account account) {
        return store.read()
                .select(REPORT.DEFINITION)
                .from(REPORT)
                .where(REPORT.ID.eq(id))
                .and(visible(account))
                .fetchOptional(row -> Definitions.readReport(row.value1()))
                .orElseThrow(
                        () -> new NotFoundException("There is no report \"" + id + "\", or it is not yours to run"));
    }

    /**
     * Adds a report.
     *
     * @throws ProblemException with every fault of the document
     * @throws ConflictException if its id is taken
     */
    public Report add(String document, Account owner) {
        Report report = Definitions.readReport(document);
        Planner.plan(
                report,
                datasets.find(report.dataset()).orElseThrow(() -> unknownDataset(report)),
                Answers.NONE,
                businessDate.now());
        if (!insert(report, owner.id(), false)) {
            throw new ConflictException(
                    "A report with the id \"" + report.id() + "\" is there already; choose another");
        }
        return report;
    }

    private ProblemException unknownDataset(Report report) {
        return new ProblemException(Problem.error(
                "/dataset",
                "unknown dataset \"" + report.dataset() + "\", expected one of " + String.join(", ", datasets.ids())
                        + Suggestion.inWords(report.dataset(), datasets.ids())));
    }

    /** Adds the starter reports that are not there yet; those that are stay as they are. */
    public void addStarters() {
        for (String id : Starters.reportIds()) {
            insert(Starters.report(id).orElseThrow(), null, true);
        }
    }

    private boolean insert(Report report, Long owner, boolean starter) {
        return store.write()
                        .insertInto(REPORT)
                        .set(REPORT.ID, report.id())
                        .set(REPORT.TITLE, report.title())
                        .set(REPORT.DESCRIPTION, report.description().orElse(null))
                        .set(REPORT.DEFINITION, Definitions.write(report))
                        .set(REPORT.OWNER_ID, owner)
                        .set(REPORT.STARTER, starter)
                        .set(REPORT.CREATED_AT, clock.millis())
                        .set(REPORT.UPDATED_AT, clock.millis())
                        .onConflictDoNothing()
                        .execute()
                > 0;
    }
}
