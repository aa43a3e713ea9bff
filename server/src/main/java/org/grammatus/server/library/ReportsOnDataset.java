package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.DRAFT;
import static org.grammatus.server.store.generated.Tables.REPORT;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.dataset.Renaming;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.server.account.AccessPolicy;
import org.grammatus.server.account.Account;
import org.grammatus.server.store.Store;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** The reports that stand on a dataset, whoever's they are: what a change of it reaches, and how they follow a renaming. */
@Component
class ReportsOnDataset {

    private final Store store;
    private final ReportRecords reports;

    ReportsOnDataset(Store store, ReportRecords reports) {
        this.store = store;
        this.reports = reports;
    }

    /** A report that stands on a dataset, and whether the account asked for may see it. */
    record Standing(Report report, boolean visible) {}

    /** Every report that stands on a dataset, whoever's it is. */
    List<Standing> standingOn(String dataset, Account account) {
        return store
                .read()
                .select(REPORT.DEFINITION, DSL.field(AccessPolicy.mayRun(account)))
                .from(REPORT)
                .where(REPORT.DELETED_AT.isNull())
                .orderBy(DSL.lower(REPORT.TITLE), REPORT.ID)
                .fetch(row -> ReportRecords.readable(row.value1()).map(report -> new Standing(report, row.value2())))
                .stream()
                .flatMap(Optional::stream)
                .filter(standing -> ReportDatasets.namedBy(standing.report()).contains(dataset))
                .toList();
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
                .fetch(row -> ReportRecords.readable(row.value1()).map(report -> Map.entry(report, row.value2())))
                .stream()
                .flatMap(Optional::stream)
                .forEach(saved -> {
                    Report report = saved.getKey();
                    Report renamed = renaming.in(report, datasets);
                    if (!renamed.equals(report)) {
                        requireReadable(renamed);
                        reports.write(records, renamed, saved.getValue(), account);
                        ReportRecords.carryDrafts(records, report.id(), saved.getValue());
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
        return ReportRecords.readable(definition)
                .filter(report -> ReportDatasets.namedBy(report).stream().anyMatch(datasets::contains))
                .map(report -> renaming.in(report, datasets))
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
}
