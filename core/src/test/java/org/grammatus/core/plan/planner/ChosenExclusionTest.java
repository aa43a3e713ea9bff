package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.planner.condition.BuiltForm;
import org.grammatus.core.plan.planner.condition.FilterCondition;
import org.grammatus.core.plan.planner.condition.FilterScope;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Built exclusions of several chosen values, blanks among them: no row meets a condition and its exclusion, and each meets one. */
@Meaning({13, 32})
class ChosenExclusionTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-01-07T10:00", "Upland", "2.00")
            .order("S3", "2026-01-08T10:00", null, "1.00")
            .order("S4", "2026-01-09T10:00", "", "1.00")
            .line("S1", "Hives", "1.00")
            .line("S2", "Jars", "2.00")
            .line("S3", "Jars", "4.00")
            .line("S4", "Jars", "8.00");

    private static final String IS = condition("is");
    private static final String IS_NOT = condition("is-not");

    private static String condition(String comparison) {
        return "{\"id\": \"f-%s\", \"kind\": \"condition\", \"field\": \"region\", \"comparison\": \"%s\", \"prompt\": \"areas\"}"
                .formatted(comparison, comparison);
    }

    private static String of(String kind, String part) {
        // Ids are unique in the document.
        return "{\"id\": \"f%d-%s\", \"kind\": \"%s\", \"filters\": [%s]}".formatted(part.length(), kind, kind, part);
    }

    private static Report report(String filter) {
        return Definitions.readReport(Samples.REPORT
                .replace(
                        "\"prompts\": [",
                        "\"prompts\": [{\"id\": \"p-areas\", \"name\": \"areas\", \"type\": \"choices\", \"label\": \"Areas\","
                                + " \"field\": \"region\"},")
                .replace("\"filters\": [", "\"filters\": [" + filter + ","));
    }

    private static String kept(String filter, String answer) {
        int[] rows = ROWS.grouped(report(filter), new Answers(Map.of("areas", answer)))
                .rows()
                .order();
        return Arrays.stream(rows).sorted().mapToObj(row -> "S" + (row + 1)).collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "(none) | S3 | S1 S2 S4",
                "Lakeside | S1 | S2 S3 S4",
                "Lakeside, (none) | S1 S3 | S2 S4",
                "all but Lakeside | S2 S3 S4 | S1",
                "all but Lakeside, (none) | S2 S4 | S1 S3",
                "all but (none) | S1 S2 S4 | S3",
            })
    void aRowMeetsTheConditionOrItsExclusionNeverBoth(String answer, String meeting, String others) {
        assertThat(kept(IS, answer)).isEqualTo(meeting);
        assertThat(kept(IS_NOT, answer)).isEqualTo(others);
        assertThat(kept(of("none", IS), answer)).isEqualTo(others);
        assertThat(kept(of("none", IS_NOT), answer)).isEqualTo(meeting);
        assertThat(kept(of("none", of("any", IS)), answer)).isEqualTo(others);
        assertThat(kept(of("none", of("none", IS_NOT)), answer)).isEqualTo(others);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "  "})
    void withoutAnAnswerNeitherRestrictsAnything(String answer) {
        for (String filter : List.of(IS, IS_NOT, of("none", IS), of("none", IS_NOT), of("any", IS_NOT))) {
            assertThat(kept(filter, answer)).as(filter).isEqualTo("S1 S2 S3 S4");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"(none)", "Lakeside", "all but Lakeside, (none)", "all but Upland"})
    void theTypedFormKeepsTheSameRowsAndIsBuiltAgain(String answer) {
        for (String built : List.of(IS_NOT, of("none", IS))) {
            Report report = report(built);
            FilterScope scope =
                    new FilterScope(Samples.dataset(), report.prompts(), ReportDatasets.of(Samples.dataset()));
            String where = FilterCondition.text(report.filters().getFirst(), scope);
            String typed = "{\"id\": \"f-typed\", \"kind\": \"expression\", \"where\": \"%s\"}"
                    .formatted(where.replace("\"", "\\\""));
            assertThat(kept(typed, answer)).as(where).isEqualTo(kept(built, answer));
            AtomicInteger ids = new AtomicInteger();
            ReportFilter again = BuiltForm.of(
                            (ReportFilter.Typed) report(typed).filters().getFirst(),
                            scope,
                            () -> "again-" + ids.incrementAndGet())
                    .orElseThrow();
            assertThat(FilterCondition.text(again, scope)).isEqualTo(where);
        }
    }
}
