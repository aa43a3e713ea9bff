package org.grammatus.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.junit.jupiter.api.Test;

class FilterEditsTest {

    private static final String CATEGORY = "{'edit': 'add-filter', 'field': 'category'}";

    private static List<String> ids(List<ReportFilter> filters) {
        return filters.stream()
                .flatMap(ReportFilter::withParts)
                .map(ReportFilter::id)
                .toList();
    }

    @Test
    void aFilterIsGroupedAndUngrouped() {
        Report grouped = Edited.sample(CATEGORY, "{'edit': 'group-filter', 'filter': 'f-category', 'of': 'any'}");
        assertThat(ids(grouped.filters())).containsExactly("f-period", "f-any", "f-category");
        Report more = Edited.by(grouped, "{'edit': 'add-filter', 'field': 'region', 'within': 'f-any'}");
        assertThat(ids(more.filters())).containsExactly("f-period", "f-any", "f-category", "f-region");
        Report flat = Edited.by(more, "{'edit': 'ungroup-filter', 'filter': 'f-any'}");
        assertThat(ids(flat.filters())).containsExactly("f-period", "f-category", "f-region");
    }

    @Test
    void whatAFilterKeptItDrops() {
        Report report = Edited.sample(CATEGORY, "{'edit': 'negate-filter', 'filter': 'f-category'}");
        assertThat(report.filters().getLast())
                .isInstanceOfSatisfying(
                        ReportFilter.Condition.class,
                        condition -> assertThat(condition.comparison()).isEqualTo(FilterComparison.BLANK));
        Report period = Edited.sample("{'edit': 'negate-filter', 'filter': 'f-period'}");
        assertThat(period.filters().getFirst().kind()).isEqualTo(FilterKind.NONE);
        Report typed = Edited.sample(
                "{'edit': 'make-filter', 'kind': 'expression'}", "{'edit': 'negate-filter', 'filter': 'f-expression'}");
        assertThat(typed.filters().getLast())
                .isInstanceOfSatisfying(
                        ReportFilter.Typed.class, one -> assertThat(one.where()).isEqualTo("NOT (TRUE)"));
    }

    @Test
    void rowsAreTheFirstOfAllInOneWayOnly() {
        Report report =
                Edited.sample("{'edit': 'make-filter', 'kind': 'top'}", "{'edit': 'make-filter', 'kind': 'top'}");
        assertThat(report.filters())
                .filteredOn(ReportFilter.Top.class::isInstance)
                .extracting(ReportFilter::isOff)
                .containsExactly(true, false);
        Report copied = Edited.by(report, "{'edit': 'copy-filter', 'filter': 'f-freight-2'}");
        assertThat(copied.filters().getLast().isOff()).isTrue();
        assertThatThrownBy(() -> Edited.by(report, "{'edit': 'group-filter', 'filter': 'f-freight', 'of': 'all'}"))
                .hasMessageContaining("first rows");
    }

    @Test
    void aFilterMovesIntoAGroupAndOutOfItButNotIntoItself() {
        Report grouped = Edited.sample(CATEGORY, "{'edit': 'group-filter', 'filter': 'f-category', 'of': 'all'}");
        Report into = Edited.by(grouped, "{'edit': 'move-filter', 'filter': 'f-period', 'before': 'f-category'}");
        assertThat(ids(into.filters())).containsExactly("f-all", "f-period", "f-category");
        Report out = Edited.by(into, "{'edit': 'move-filter', 'filter': 'f-period'}");
        assertThat(ids(out.filters())).containsExactly("f-all", "f-category", "f-period");
        assertThat(Edited.by(grouped, "{'edit': 'move-filter', 'filter': 'f-all', 'before': 'f-category'}"))
                .isEqualTo(grouped);
    }

    @Test
    void aFilterIsTypedAndBuiltAgain() {
        Report typed = Edited.sample(CATEGORY, "{'edit': 'type-filter', 'filter': 'f-category'}");
        assertThat(typed.filters().getLast()).isInstanceOf(ReportFilter.Typed.class);
        Report built = Edited.by(typed, "{'edit': 'build-filter', 'filter': 'f-category'}");
        assertThat(built).isEqualTo(Edited.sample(CATEGORY));
    }

    @Test
    void aFilterReachesItsBlockAloneOrTheReport() {
        Report own = Edited.sample("{'edit': 'reach-with-filter', 'filter': 'f-period', 'reach': 'block'}");
        assertThat(own.filters()).isEmpty();
        assertThat(own.blocks().getFirst().ownFilters())
                .extracting(ReportFilter::id)
                .containsExactly("f-period");
        assertThat(Edited.by(own, "{'edit': 'reach-with-filter', 'filter': 'f-period', 'reach': 'report'}"))
                .isEqualTo(Edited.sample());
        Report some = Edited.sample(
                "{'edit': 'reach-with-filter', 'filter': 'f-period', 'reach': 'blocks', 'blocks': ['main']}");
        assertThat(some.filters().getFirst().blocks()).isEqualTo(Optional.of(List.of("main")));
    }

    @Test
    void aPartGoesIntoTheGroupThatIsNamed() {
        Report grouped = Edited.sample(
                CATEGORY,
                "{'edit': 'group-filter', 'filter': 'f-category', 'of': 'any'}",
                "{'edit': 'make-filter', 'kind': 'expression', 'within': 'f-any'}",
                "{'edit': 'make-filter', 'kind': 'any', 'within': 'f-any'}",
                "{'edit': 'add-filter', 'field': 'ordered_at', 'prompt': 'period', 'within': 'f-any-2'}");
        assertThat(ids(grouped.filters()))
                .containsExactly("f-period", "f-any", "f-category", "f-expression", "f-any-2", "f-ordered-at");
        assertThat(grouped.filters()).hasSize(2);
        assertThatThrownBy(() -> Edited.sample("{'edit': 'add-filter', 'field': 'net', 'prompt': 'period'}"))
                .hasMessageContaining("no value of \"Net\"");
    }

    @Test
    void whatRowsOfADatasetMeetIsAPartOfTheLookForThem() {
        Report related = Edited.sample(
                "{'edit': 'make-filter', 'kind': 'has'}",
                "{'edit': 'make-filter', 'kind': 'expression', 'within': 'f-has'}");
        assertThat(related.filters().getLast())
                .isInstanceOfSatisfying(
                        RelatedFilter.class,
                        one -> assertThat(one.filters().orElseThrow()).hasSize(1));
        assertThatThrownBy(() -> Edited.by(related, "{'edit': 'make-filter', 'kind': 'has', 'within': 'f-has'}"))
                .hasMessageContaining("own rows");
    }

    @Test
    void aMeasureFiltersNoRows() {
        assertThatThrownBy(() -> Edited.sample("{'edit': 'add-filter', 'field': 'mean_price'}"))
                .hasMessageContaining("measure");
    }
}
