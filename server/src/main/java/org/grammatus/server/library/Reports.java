package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.ACCOUNT;
import static org.grammatus.server.store.generated.Tables.DRAFT;
import static org.grammatus.server.store.generated.Tables.REPORT;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.server.account.AccessPolicy;
import org.grammatus.server.account.Account;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.problem.NewerRevisionException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.store.Store;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/**
 * The reports on record. Starter reports are everybody's to run; others belong to their author, who may offer them to everyone.
 * Other authors may change an offered report; every saved state is kept.
 */
@Component
public class Reports {

    /** As the schema of reports has it. */
    private static final int LONGEST_TITLE = 500;

    private static final int LONGEST_FOLDER = 200;

    private final Store store;
    private final ReportRecords reports;
    private final ReportCheck check;
    private final Clock clock;

    Reports(Store store, ReportRecords reports, ReportCheck check, Clock clock) {
        this.store = store;
        this.reports = reports;
        this.check = check;
        this.clock = clock;
    }

    /**
     * A report as it stands in the library.
     *
     * @param owner its author's name; none for a starter report
     * @param mine whether the account asked for is its author
     * @param editable whether that account may save changes to it
     * @param drafted whether that account has changes to it that are not saved
     * @param fields names of its levels and columns, to be found by
     * @param updatedAt milliseconds since 1970-01-01 UTC
     */
    public record Entry(
            String id,
            String title,
            Optional<String> description,
            String folder,
            Optional<String> owner,
            boolean mine,
            boolean offered,
            boolean editable,
            boolean drafted,
            String fields,
            long updatedAt) {}

    /**
     * A saved state of a report.
     *
     * @param editable whether the account asked for may save changes to it
     * @param offered whether others may run it, as everybody may the reports that come along
     */
    public record Saved(Report report, long revision, boolean editable, boolean offered) {

        /** The report as it is printed: nothing marks it as a draft once it is offered to others. */
        public Report printed() {
            return offered ? report.offered() : report;
        }
    }

    /** The reports an account may run, by title. */
    public List<Entry> visibleTo(Account account) {
        return store.read()
                .select(
                        REPORT.ID,
                        REPORT.TITLE,
                        REPORT.DESCRIPTION,
                        REPORT.FOLDER,
                        ACCOUNT.DISPLAY_NAME,
                        REPORT.OWNER_ID,
                        REPORT.OFFERED,
                        REPORT.STARTER,
                        DRAFT.REPORT_ID,
                        REPORT.FIELDS,
                        REPORT.UPDATED_AT)
                .from(REPORT)
                .leftJoin(ACCOUNT)
                .on(ACCOUNT.ID.eq(REPORT.OWNER_ID))
                .leftJoin(DRAFT)
                .on(DRAFT.REPORT_ID.eq(REPORT.ID).and(DRAFT.ACCOUNT_ID.eq(account.id())))
                .where(AccessPolicy.mayRun(account))
                .orderBy(DSL.lower(REPORT.TITLE), REPORT.ID)
                .fetch(row -> {
                    boolean mine = row.get(REPORT.OWNER_ID) != null && row.get(REPORT.OWNER_ID) == account.id();
                    return new Entry(
                            row.get(REPORT.ID),
                            row.get(REPORT.TITLE),
                            Optional.ofNullable(row.get(REPORT.DESCRIPTION)),
                            row.get(REPORT.FOLDER),
                            Optional.ofNullable(row.get(ACCOUNT.DISPLAY_NAME)),
                            mine,
                            row.get(REPORT.OFFERED),
                            AccessPolicy.mayEdit(account, row.get(REPORT.STARTER)),
                            row.get(DRAFT.REPORT_ID) != null,
                            row.get(REPORT.FIELDS),
                            row.get(REPORT.UPDATED_AT));
                });
    }

    /**
     * A report's definition as last saved.
     *
     * @throws NotFoundException if there is none, or it is somebody else's
     */
    public Report definition(String id, Account account) {
        return saved(id, account).report();
    }

    /**
     * A report as last saved.
     *
     * @throws NotFoundException if there is none, it was deleted, or it is somebody else's
     */
    public Saved saved(String id, Account account) {
        return store.read()
                .select(REPORT.DEFINITION, REPORT.REVISION, REPORT.STARTER, REPORT.OFFERED)
                .from(REPORT)
                .where(REPORT.ID.eq(id))
                .and(AccessPolicy.mayRun(account))
                .fetchOptional(row -> new Saved(
                        Definitions.readReport(row.value1()),
                        row.value2(),
                        AccessPolicy.mayEdit(account, row.value3()),
                        row.value3() || row.value4()))
                .orElseThrow(() -> ReportRecords.missing(id));
    }

    /**
     * Adds a report. Where its id is taken by a report that the account may not see, it gets another: whether there is such a report
     * is nobody's business.
     *
     * @return the report as it was added
     * @throws ProblemException with every fault of the document
     * @throws ConflictException if its id is that of a report that the account may see
     */
    public synchronized Report add(Report report, Account owner) {
        check.requireSound(report);
        boolean visible = store.read()
                .fetchExists(DSL.selectOne()
                        .from(REPORT)
                        .where(REPORT.ID.eq(report.id()))
                        .and(AccessPolicy.mayRun(owner).or(REPORT.OWNER_ID.eq(owner.id()))));
        if (visible) {
            throw new ConflictException(
                    "A report with the id \"" + report.id() + "\" is there already; choose another");
        }
        Report added = reports.insert(report, owner.id(), false) ? report : report.withId(reports.freeId(report.id()));
        if (added != report) {
            reports.insert(added, owner.id(), false);
        }
        return added;
    }

    /** Adds a copy under a title that none of the account's reports has, with an id that nobody's has. */
    public synchronized Report addCopy(Report original, String title, Account owner) {
        Set<String> taken = visibleTo(owner).stream().map(Entry::title).collect(Collectors.toSet());
        String free = title;
        for (int i = 2; taken.contains(free); i++) {
            String number = " (" + i + ")";
            free = title.substring(0, Math.min(title.length(), LONGEST_TITLE - number.length())) + number;
        }
        return add(original.withId(reports.freeId(free)).called(free, original.description()), owner);
    }

    /**
     * Saves a changed definition as the report's next revision.
     *
     * @param base the revision that the changes were made to
     * @return the new revision's number
     * @throws ProblemException with every fault of the definition
     * @throws NewerRevisionException if somebody saved since; both states are kept
     */
    public long save(Report report, long base, Account account) {
        check.requireSound(report);
        Saved current = saved(report.id(), account);
        requireEditable(current, account);
        if (current.revision() != base) {
            throw reports.newer(report.id(), current.revision());
        }
        return store.write().transactionResult(transaction -> reports.write(transaction.dsl(), report, base, account));
    }

    /**
     * Puts a mended document in the place of one that cannot be read.
     *
     * @throws ProblemException with every fault that is left
     * @throws NotFoundException if there is no such report
     */
    void repair(String id, String document, Account account) {
        Report mended = check.read(document).withId(id);
        long base = store.read()
                .select(REPORT.REVISION)
                .from(REPORT)
                .where(REPORT.ID.eq(id))
                .fetchOptional(REPORT.REVISION)
                .orElseThrow(() -> ReportRecords.missing(id));
        store.write().transaction(transaction -> reports.write(transaction.dsl(), mended, base, account));
    }

    /** What the library changes about a report; none leaves it as it is. */
    public record Change(
            Optional<String> title, Optional<String> description, Optional<String> folder, Optional<Boolean> offered) {}

    /** Renames, describes, files or offers a report: for its owner and administrators alone. */
    public void change(String id, Change change, Account account) {
        Saved current = saved(id, account);
        requireEditable(current, account);
        requireOwnerOrAdministrator(current.report(), account);
        change.folder().ifPresent(Reports::requireFolder);
        store.write().transaction(transaction -> {
            DSLContext records = transaction.dsl();
            if (change.title().isPresent() || change.description().isPresent()) {
                Report renamed = current.report()
                        .called(
                                change.title().orElse(current.report().title()),
                                change.description().or(current.report()::description));
                check.requireSound(renamed);
                reports.write(records, renamed, current.revision(), account);
                ReportRecords.carryDrafts(records, id, current.revision());
            }
            records.update(REPORT)
                    .set(
                            REPORT.FOLDER,
                            DSL.coalesce(
                                    DSL.val(change.folder().map(String::strip).orElse(null)), REPORT.FOLDER))
                    .set(REPORT.OFFERED, DSL.coalesce(DSL.val(change.offered().orElse(null)), REPORT.OFFERED))
                    .where(REPORT.ID.eq(id))
                    .execute();
        });
    }

    /** Takes a report out of the library; it can be restored. */
    public void delete(String id, Account account) {
        requireOwner(id, account);
        store.write()
                .update(REPORT)
                .set(REPORT.DELETED_AT, clock.millis())
                .where(REPORT.ID.eq(id))
                .execute();
    }

    /** Puts a deleted report back. */
    public void restore(String id, Account account) {
        requireOwner(id, account);
        store.write()
                .update(REPORT)
                .setNull(REPORT.DELETED_AT)
                .where(REPORT.ID.eq(id))
                .execute();
    }

    private void requireOwner(String id, Account account) {
        boolean owner = store.read()
                .fetchExists(
                        DSL.selectOne().from(REPORT).where(REPORT.ID.eq(id)).and(REPORT.OWNER_ID.eq(account.id())));
        if (!owner) {
            throw new NotFoundException("There is no report \"" + id + "\" of yours");
        }
    }

    private void requireOwnerOrAdministrator(Report report, Account account) {
        boolean owner = store.read()
                .fetchExists(DSL.selectOne()
                        .from(REPORT)
                        .where(REPORT.ID.eq(report.id()))
                        .and(REPORT.OWNER_ID.eq(account.id())));
        if (!AccessPolicy.mayManage(account, owner)) {
            throw new ConflictException("\"" + report.title()
                    + "\" is somebody else's to rename, file and offer; save a copy, or ask its author");
        }
    }

    private static void requireFolder(String folder) {
        if (folder.strip().length() > LONGEST_FOLDER || folder.chars().anyMatch(Character::isISOControl)) {
            throw new ProblemException(Problem.error(
                    "/folder", "a folder's name has at most " + LONGEST_FOLDER + " characters, on one line"));
        }
    }

    private static void requireEditable(Saved current, Account account) {
        if (!current.editable()) {
            throw new ConflictException("\"" + current.report().title()
                    + "\" comes with the product and stays as it is; save your changes as a copy");
        }
    }
}
