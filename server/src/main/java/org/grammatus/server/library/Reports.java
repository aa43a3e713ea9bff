package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.ACCOUNT;
import static org.grammatus.server.store.generated.Tables.DRAFT;
import static org.grammatus.server.store.generated.Tables.REPORT;
import static org.grammatus.server.store.generated.Tables.REVISION;

import java.text.Normalizer;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Renaming;
import org.grammatus.core.definition.Checked;
import org.grammatus.core.definition.Definitions;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.plan.Planner;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.grammatus.demo.Starters;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Role;
import org.grammatus.server.dataset.Datasets;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.problem.NewerRevisionException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.store.Store;
import org.jooq.Condition;
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
     */
    public record Saved(Report report, long revision, boolean editable) {}

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
                .where(visible(account))
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
                            account.role() != Role.READER && !row.get(REPORT.STARTER),
                            row.get(DRAFT.REPORT_ID) != null,
                            row.get(REPORT.FIELDS),
                            row.get(REPORT.UPDATED_AT));
                });
    }

    private static Condition visible(Account account) {
        return REPORT.DELETED_AT
                .isNull()
                .and(REPORT.STARTER.isTrue().or(REPORT.OFFERED.isTrue()).or(REPORT.OWNER_ID.eq(account.id())));
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
                .select(REPORT.DEFINITION, REPORT.REVISION, REPORT.STARTER)
                .from(REPORT)
                .where(REPORT.ID.eq(id))
                .and(visible(account))
                .fetchOptional(row -> new Saved(
                        Definitions.readReport(row.value1()),
                        row.value2(),
                        account.role() != Role.READER && !row.value3()))
                .orElseThrow(() -> missing(id));
    }

    /** A report that stands on a dataset, and whether the account asked for may see it. */
    record Standing(Report report, boolean visible) {}

    /** Every report that stands on a dataset, whoever's it is. */
    List<Standing> standingOn(String dataset, Account account) {
        return store
                .read()
                .select(REPORT.DEFINITION, DSL.field(visible(account)))
                .from(REPORT)
                .where(REPORT.DELETED_AT.isNull())
                .orderBy(DSL.lower(REPORT.TITLE), REPORT.ID)
                .fetch(row -> readable(row.value1()).map(report -> new Standing(report, row.value2())))
                .stream()
                .flatMap(Optional::stream)
                .filter(standing -> standing.report().dataset().equals(dataset))
                .toList();
    }

    /** A document that cannot be read is set aside: it stands in nobody's way. */
    private static Optional<Report> readable(String document) {
        try {
            return Optional.of(Definitions.readReport(document));
        } catch (ProblemException e) {
            return Optional.empty();
        }
    }

    private static NotFoundException missing(String id) {
        return new NotFoundException("There is no report \"" + id
                + "\": it was deleted, or it is not yours to run. Save a copy to keep changes");
    }

    /**
     * Reads a report's document and checks it whole, against its dataset too.
     *
     * @throws ProblemException with every fault
     */
    public Report read(String document) {
        Checked<Report> checked = Definitions.checkReport(document);
        requireSound(checked);
        return checked.require();
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
        requireSound(report);
        boolean visible = store.read()
                .fetchExists(DSL.selectOne()
                        .from(REPORT)
                        .where(REPORT.ID.eq(report.id()))
                        .and(visible(owner).or(REPORT.OWNER_ID.eq(owner.id()))));
        if (visible) {
            throw new ConflictException(
                    "A report with the id \"" + report.id() + "\" is there already; choose another");
        }
        Report added = insert(report, owner.id(), false) ? report : report.withId(freeId(report.id()));
        if (added != report) {
            insert(added, owner.id(), false);
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
        return add(original.withId(freeId(free)).called(free, original.description()), owner);
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
        requireSound(report);
        Saved current = saved(report.id(), account);
        requireEditable(current, account);
        if (current.revision() != base) {
            throw newer(report.id(), current.revision());
        }
        return store.write().transactionResult(transaction -> write(transaction.dsl(), report, base, account));
    }

    /**
     * Puts a mended document in the place of one that cannot be read.
     *
     * @throws ProblemException with every fault that is left
     * @throws NotFoundException if there is no such report
     */
    void repair(String id, String document, Account account) {
        Report mended = read(document).withId(id);
        long base = store.read()
                .select(REPORT.REVISION)
                .from(REPORT)
                .where(REPORT.ID.eq(id))
                .fetchOptional(REPORT.REVISION)
                .orElseThrow(() -> missing(id));
        store.write().transaction(transaction -> write(transaction.dsl(), mended, base, account));
    }

    private long write(DSLContext records, Report report, long base, Account account) {
        int updated = records.update(REPORT)
                .set(REPORT.TITLE, report.title())
                .set(REPORT.DESCRIPTION, report.description().orElse(null))
                .set(REPORT.DEFINITION, Definitions.write(report))
                .set(REPORT.FIELDS, fields(report))
                .set(REPORT.REVISION, base + 1)
                .set(REPORT.UPDATED_AT, clock.millis())
                .where(REPORT.ID.eq(report.id()))
                .and(REPORT.REVISION.eq(base))
                .execute();
        if (updated == 0) {
            throw newer(report.id(), base + 1);
        }
        keep(records, report, base + 1, account.id());
        return base + 1;
    }

    /**
     * Makes every report on some datasets follow a field's new name, private ones of others and drafts among them: what they show
     * stays the same.
     *
     * @param account who renames
     */
    void follow(DSLContext records, Renaming renaming, Set<String> datasets, Account account) {
        records
                .select(REPORT.DEFINITION, REPORT.REVISION)
                .from(REPORT)
                .fetch(row -> readable(row.value1()).map(report -> Map.entry(report, row.value2())))
                .stream()
                .flatMap(Optional::stream)
                .forEach(saved -> {
                    Report report = saved.getKey();
                    Report renamed = renaming.in(report);
                    if (datasets.contains(report.dataset()) && !renamed.equals(report)) {
                        requireReadable(renamed);
                        write(records, renamed, saved.getValue(), account);
                        carryDrafts(records, report.id(), saved.getValue());
                    }
                });
        records.selectFrom(DRAFT)
                .fetch()
                .forEach(draft -> renamedDraft(draft.getDefinition(), renaming, datasets)
                        .ifPresent(definition -> {
                            draft.setDefinition(definition);
                            draft.store();
                        }));
    }

    /** A draft may be wrong in the middle of an edit; such a one stays as it is. */
    private static Optional<String> renamedDraft(String definition, Renaming renaming, Set<String> datasets) {
        return readable(definition)
                .filter(report -> datasets.contains(report.dataset()))
                .map(renaming::in)
                .map(Definitions::write);
    }

    /** What a renaming makes of a report can be loaded again; else nothing is renamed. */
    private static void requireReadable(Report renamed) {
        try {
            Definitions.readReport(Definitions.write(renamed));
        } catch (ProblemException e) {
            throw new ProblemException(Problem.error(
                    "/to",
                    "the report \"" + renamed.title() + "\" could not follow: "
                            + e.problems().getFirst() + ". Nothing was renamed; choose a shorter name"));
        }
    }

    private NewerRevisionException newer(String id, long revision) {
        String by = store.read()
                .select(ACCOUNT.DISPLAY_NAME)
                .from(REVISION)
                .join(ACCOUNT)
                .on(ACCOUNT.ID.eq(REVISION.ACCOUNT_ID))
                .where(REVISION.REPORT_ID.eq(id))
                .and(REVISION.NUMBER.eq(revision))
                .fetchOptional(ACCOUNT.DISPLAY_NAME)
                .orElse("somebody");
        return new NewerRevisionException(
                revision, by, "Your changes are kept as a draft: save them as a copy, or put them in its place");
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
                requireSound(renamed);
                write(records, renamed, current.revision(), account);
                carryDrafts(records, id, current.revision());
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

    /** Drafts of the state before a renaming stay drafts of the state after it. */
    private static void carryDrafts(DSLContext records, String id, long base) {
        records.update(DRAFT)
                .set(DRAFT.BASE_REVISION, base + 1)
                .where(DRAFT.REPORT_ID.eq(id))
                .and(DRAFT.BASE_REVISION.eq(base))
                .execute();
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
        if (!owner && account.role() != Role.ADMINISTRATOR) {
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

    /** Checks what is to be written just as it is checked when it is loaded, and against its dataset. */
    private void requireSound(Report report) {
        requireSound(Definitions.checkReport(Definitions.write(report)));
    }

    private void requireSound(Checked<Report> checked) {
        Report report = checked.document().orElseGet(checked::require);
        DatasetModel dataset;
        try {
            dataset = datasets.require(report.dataset());
        } catch (ProblemException e) {
            throw new ProblemException(checked.with(e.problems()).faults());
        }
        Planner.plan(checked.as(Report::asking), dataset, Answers.NONE, businessDate.of(report));
    }

    /** An id nobody has yet, made from a title. */
    public String freeId(String title) {
        String plain = Normalizer.normalize(title, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^[^a-z]+|-+$", "");
        String stem = plain.isEmpty() ? "report" : plain.substring(0, Math.min(48, plain.length()));
        String id = stem;
        for (int i = 2; store.read().fetchExists(REPORT, REPORT.ID.eq(id)); i++) {
            id = stem + "-" + i;
        }
        return id;
    }

    /** Brings the starter reports to what this version of the product has. */
    public void addStarters() {
        for (String id : Starters.reportIds()) {
            Report starter = Starters.report(id).orElseThrow();
            if (!insert(starter, null, true)) {
                store.write()
                        .update(REPORT)
                        .set(REPORT.TITLE, starter.title())
                        .set(REPORT.DESCRIPTION, starter.description().orElse(null))
                        .set(REPORT.DEFINITION, Definitions.write(starter))
                        .set(REPORT.FIELDS, fields(starter))
                        .where(REPORT.ID.eq(id))
                        .and(REPORT.STARTER.isTrue())
                        // One that followed a field's new name keeps to that.
                        .and(REPORT.REVISION.eq(1L))
                        .execute();
            }
        }
    }

    private static String fields(Report report) {
        ReportBlock block = report.blocks().getFirst();
        return Stream.concat(
                        block.levels().stream().map(ReportLevel::name),
                        block.columns().stream().map(ReportColumn::label))
                .filter(name -> !name.isBlank())
                .distinct()
                .collect(Collectors.joining(", "));
    }

    private boolean insert(Report report, Long owner, boolean starter) {
        return store.write().transactionResult(transaction -> {
            DSLContext records = transaction.dsl();
            boolean added = records.insertInto(REPORT)
                            .set(REPORT.ID, report.id())
                            .set(REPORT.TITLE, report.title())
                            .set(REPORT.DESCRIPTION, report.description().orElse(null))
                            .set(REPORT.DEFINITION, Definitions.write(report))
                            .set(REPORT.FIELDS, fields(report))
                            .set(REPORT.OWNER_ID, owner)
                            .set(REPORT.STARTER, starter)
                            .set(REPORT.CREATED_AT, clock.millis())
                            .set(REPORT.UPDATED_AT, clock.millis())
                            .onConflictDoNothing()
                            .execute()
                    > 0;
            if (added) {
                keep(records, report, 1, owner);
            }
            return added;
        });
    }

    private void keep(DSLContext records, Report report, long number, Long account) {
        records.insertInto(REVISION)
                .set(REVISION.REPORT_ID, report.id())
                .set(REVISION.NUMBER, number)
                .set(REVISION.DEFINITION, Definitions.write(report))
                .set(REVISION.ACCOUNT_ID, account)
                .set(REVISION.SAVED_AT, clock.millis())
                .execute();
    }
}
