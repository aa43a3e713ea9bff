package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.ACCOUNT;
import static org.grammatus.server.store.generated.Tables.DRAFT;
import static org.grammatus.server.store.generated.Tables.REPORT;
import static org.grammatus.server.store.generated.Tables.REVISION;

import java.text.Normalizer;
import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.server.account.Account;
import org.grammatus.server.problem.NewerRevisionException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.store.Store;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;

/** The statements by which reports are kept, each saved state beside those before it. */
@Component
class ReportRecords {

    private final Store store;
    private final Clock clock;

    ReportRecords(Store store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /** A document that cannot be read is set aside: it stands in nobody's way. */
    static Optional<Report> readable(String document) {
        try {
            return Optional.of(Definitions.readReport(document));
        } catch (ProblemException e) {
            return Optional.empty();
        }
    }

    static NotFoundException missing(String id) {
        return new NotFoundException("There is no report \"" + id
                + "\": it was deleted, or it is not yours to run. Save a copy to keep changes");
    }

    /**
     * Saves a report as its next revision.
     *
     * @return the new revision's number
     * @throws NewerRevisionException if its newest is not the one that it was made from
     */
    long write(DSLContext records, Report report, long base, Account account) {
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

    /** That somebody saved since, and who. */
    NewerRevisionException newer(String id, long revision) {
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

    /** Drafts of the state before a renaming stay drafts of the state after it. */
    static void carryDrafts(DSLContext records, String id, long base) {
        records.update(DRAFT)
                .set(DRAFT.BASE_REVISION, base + 1)
                .where(DRAFT.REPORT_ID.eq(id))
                .and(DRAFT.BASE_REVISION.eq(base))
                .execute();
    }

    /** An id nobody has yet, made from a title. */
    String freeId(String title) {
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

    /** Names of a report's levels, columns and figures, to be found by. */
    static String fields(Report report) {
        return report.blocks().stream()
                .filter(block -> !block.isOff())
                .flatMap(ReportRecords::names)
                .filter(name -> !name.isBlank())
                .distinct()
                .collect(Collectors.joining(", "));
    }

    private static Stream<String> names(ReportBlock block) {
        return switch (block) {
            case TableBlock table ->
                Stream.concat(
                        table.levels().stream().map(ReportLevel::name),
                        table.columns().stream().flatMap(column -> column.label().stream()));
            case FiguresBlock figures -> figures.figures().stream().flatMap(figure -> figure.label().stream());
            case TextBlock text -> Stream.of();
        };
    }

    /**
     * Adds a report with its first revision.
     *
     * @param owner none for a starter report
     * @return whether its id was free
     */
    boolean insert(Report report, Long owner, boolean starter) {
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
