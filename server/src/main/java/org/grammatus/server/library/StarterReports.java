package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.REPORT;

import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.demo.Starters;
import org.grammatus.server.store.Store;
import org.springframework.stereotype.Component;

/** The reports that come with the product. */
@Component
public class StarterReports {

    private final Store store;
    private final ReportRecords reports;

    StarterReports(Store store, ReportRecords reports) {
        this.store = store;
        this.reports = reports;
    }

    /** Brings the starter reports to what this version of the product has. */
    public void add() {
        for (String id : Starters.reportIds()) {
            Report starter = Starters.report(id).orElseThrow();
            if (!reports.insert(starter, null, true)) {
                store.write()
                        .update(REPORT)
                        .set(REPORT.TITLE, starter.title())
                        .set(REPORT.DESCRIPTION, starter.description().orElse(null))
                        .set(REPORT.DEFINITION, Definitions.write(starter))
                        .set(REPORT.FIELDS, ReportRecords.fields(starter))
                        .where(REPORT.ID.eq(id))
                        .and(REPORT.STARTER.isTrue())
                        // One that followed a field's new name keeps to that.
                        .and(REPORT.REVISION.eq(1L))
                        .execute();
            }
        }
    }
}
