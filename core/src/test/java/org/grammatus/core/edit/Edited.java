package org.grammatus.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.edit.part.EditScope;

/** Makes edits, written as scripts write them, to small reports. */
final class Edited {

    static final DatasetModel DATASET = Samples.dataset(
            "{\"id\": \"late\", \"label\": \"Late\", \"value\": \"freight > 10\", \"role\": \"descriptive\"}",
            "{\"id\": \"mean_price\", \"label\": \"Mean price\", \"value\": \"SUM(net) / NULLIF(COUNT(*), 0)\"}");

    private Edited() {}

    static EditScope scope() {
        return new EditScope(Optional.empty(), ReportDatasets.of(DATASET), Samples.CONTEXT.businessDate());
    }

    /** The report with edits made to it, one after the other. */
    static Report by(Report report, String... edits) {
        Report next = report;
        for (String edit : edits) {
            next = Edits.apply(next, Definitions.readEdit(edit.replace('\'', '"')), scope());
        }
        return next;
    }

    /** The sample report with edits made to it. */
    static Report sample(String... edits) {
        return by(Samples.report(), edits);
    }

    /** A report whose last filter is another one. */
    static Report withFilter(Report report, ReportFilter last) {
        List<ReportFilter> filters = new ArrayList<>(report.filters());
        filters.set(filters.size() - 1, last);
        return report.withFilters(filters);
    }

    static TableBlock table(Report report) {
        return (TableBlock) report.blocks().getFirst();
    }

    /** A report about nothing yet. */
    static Report empty() {
        return Definitions.readReport("""
                {"format": "grammatus-report", "version": 1, "id": "new", "title": "New", "dataset": "lines", "locale": "en-GB",
                 "prompts": [], "filters": [],
                 "blocks": [{"id": "table", "kind": "table", "levels": [], "columns": [], "totals": [], "counts": [],
                   "highlights": [], "rows": {"shown": true, "order": []}}],
                 "page": {"paper": "A4", "orientation": "portrait", "margins": {"top": 14, "right": 15, "bottom": 12, "left": 18}}}
                """);
    }
}
