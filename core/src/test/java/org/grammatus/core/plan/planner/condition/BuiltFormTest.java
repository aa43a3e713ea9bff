package org.grammatus.core.plan.planner.condition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A typed filter becomes a built one only where that keeps the same rows. */
class BuiltFormTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-03-31T23:30", "Upland", "7.50")
            .order("S3", "2026-03-31T00:00", null, null)
            .line("S1", "Hives", "10.00")
            .line("S1", "Jars", "12.00")
            .line("S2", "Hives", "7.50")
            .line("S3", "Jars", "12.00")
            .line("S3", null, "-3.00");

    private static Report report(String filter) {
        return Definitions.readReport(Samples.REPORT.replace(
                "{\"id\": \"f-period\", \"kind\": \"period\", \"field\": \"ordered_at\", \"prompt\": \"period\"}",
                filter));
    }

    private static Report typed(String where) {
        return report("{\"id\": \"f\", \"kind\": \"expression\", \"where\": \""
                + where.replace("\\", "\\\\").replace("\"", "\\\"") + "\"}");
    }

    private static FilterScope scope(Report report) {
        return new FilterScope(Samples.dataset(), report.prompts(), ReportDatasets.of(Samples.dataset()));
    }

    private static Optional<ReportFilter> built(String where) {
        Report report = typed(where);
        int[] parts = new int[1];
        return BuiltForm.of((ReportFilter.Typed) report.filters().getFirst(), scope(report), () -> "f-" + ++parts[0]);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "region = 'Lakeside'",
                "region IN ('Lakeside', 'Upland')",
                "region NOT IN ('Lakeside') OR region IS NULL",
                "category IS NULL",
                "category IS NOT NULL",
                "net > 7.50",
                "net <= 10",
                "net BETWEEN 7 AND 12",
                "net >= freight",
                "ordered_at >= DATE '2026-03-31'",
                "ordered_at < DATE '2026-03-31'",
                "region LIKE '%and%'",
                "region LIKE 'Lake%'",
                "region = 'Upland' OR net > 11 AND category = 'Jars'",
                "region = 'Upland' OR NOT (net > 11)",
                "ordered_at >= :period_from AND ordered_at < :period_to + INTERVAL '1' DAY",
            })
    void whatHasABuiltFormKeepsTheSameRows(String where) {
        ReportFilter built = built(where).orElseThrow();
        assertThat(built.kind()).isNotEqualTo(FilterKind.EXPRESSION);
        String document = Definitions.tree(built).toString();
        assertThat(ROWS.grouped(report(document), Answers.NONE).rowsKept())
                .isEqualTo(ROWS.grouped(typed(where), Answers.NONE).rowsKept());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "region <> 'Lakeside'",
                "region NOT IN ('Lakeside')",
                "NOT (region = 'Lakeside')",
                "ordered_at > DATE '2026-03-31'",
                "ordered_at = DATE '2026-03-31'",
                "ordered_at BETWEEN DATE '2026-01-01' AND DATE '2026-03-31'",
                "net * 2 > 10",
                "region LIKE '%_s%'",
                "UPPER(region) = 'UPLAND'",
                "region = NULL",
                "TRUE",
            })
    void whatWouldKeepOtherRowsStaysTyped(String where) {
        assertThat(built(where)).isEmpty();
    }

    @Test
    void aPartWithoutABuiltFormStaysTypedInItsGroup() {
        ReportFilter.Several several = (ReportFilter.Several)
                built("region = 'Upland' AND net * 2 > 10 AND category IS NULL").orElseThrow();
        assertThat(several.kind()).isEqualTo(FilterKind.ALL);
        assertThat(several.filters())
                .extracting(ReportFilter::kind)
                .containsExactly(FilterKind.CONDITION, FilterKind.EXPRESSION, FilterKind.CONDITION);
        assertThat(several.filters()).extracting(ReportFilter::id).isEqualTo(List.of("f-1", "f-2", "f-3"));
    }
}
