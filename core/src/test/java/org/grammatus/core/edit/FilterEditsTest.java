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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
                        condition -> assertThat(condition.comparison()).isEqualTo(FilterComparison.IS_NOT));
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
        Report before = Edited.sample(CATEGORY, compare("f-category", "not-blank"));
        Report typed = Edited.by(before, "{'edit': 'type-filter', 'filter': 'f-category'}");
        assertThat(typed.filters().getLast()).isInstanceOf(ReportFilter.Typed.class);
        Report built = Edited.by(typed, "{'edit': 'build-filter', 'filter': 'f-category'}");
        assertThat(built).isEqualTo(before);
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
                .hasMessageContaining("not ask for a value of \"Net\"");
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

    private static ReportFilter.Condition condition(Report report) {
        return (ReportFilter.Condition) report.filters().getLast();
    }

    private static String compare(String filter, String comparison) {
        return "{'edit': 'compare-filter', 'filter': '" + filter + "', 'comparison': '" + comparison + "'}";
    }

    @Test
    void whatAFilterComparesWithStaysWhereItFitsTheComparison() {
        String net = "{'edit': 'add-filter', 'field': 'net'}";
        Report between = Edited.sample(net, compare("f-net", "between"));
        assertThat(condition(between).hasOperand()).isFalse();
        Report written = Edited.withFilter(between, condition(between).withValues(Optional.of(List.of("3", "5"))));
        assertThat(condition(Edited.by(written, compare("f-net", "more"))).values())
                .contains(List.of("3"));
        assertThat(condition(Edited.by(written, compare("f-net", "is"))).values())
                .contains(List.of("3", "5"));
        assertThat(condition(Edited.by(written, compare("f-net", "blank"))).values())
                .isEmpty();
        assertThatThrownBy(() -> Edited.by(written, compare("f-net", "contains")))
                .hasMessageContaining("cannot be compared in that way");
        assertThatThrownBy(() -> Edited.by(written, compare("f-period", "is")))
                .hasMessageContaining("compares no field");
    }

    @Test
    void aFilterComparesWithAFieldOfItsKindWhereItTakesOneValue() {
        Report net = Edited.sample("{'edit': 'add-filter', 'field': 'net'}", compare("f-net", "more"));
        List<String> others =
                EditOffers.of(net, Edited.scope()).filters().getLast().others();
        assertThat(others).contains("freight").doesNotContain("net", "category");
        Report other = Edited.by(net, with("'freight'"));
        assertThat(condition(other).other()).contains("freight");
        assertThat(condition(other).values()).isEmpty();
        assertThat(condition(Edited.by(other, compare("f-net", "less"))).other())
                .contains("freight");
        assertThat(condition(Edited.by(other, compare("f-net", "between"))).other())
                .isEmpty();
        assertThat(condition(Edited.by(other, "{'edit': 'compare-filter-with', 'filter': 'f-net'}"))
                        .values())
                .isEmpty();
        assertThatThrownBy(() -> Edited.by(net, with("'category'"))).hasMessageContaining("cannot be compared with");
        assertThatThrownBy(() -> Edited.by(net, compare("f-net", "between"), with("'freight'")))
                .hasMessageContaining("takes no other field");
    }

    private static String with(String field) {
        return "{'edit': 'compare-filter-with', 'filter': 'f-net', 'field': " + field + "}";
    }

    @Test
    void anAnswerThatFitsTheComparisonIsKept() {
        Report asked =
                Edited.sample("{'edit': 'add-filter', 'field': 'net'}", "{'edit': 'add-prompt', 'field': 'net'}");
        String prompt = asked.prompts().getLast().name();
        Report reading = Edited.by(asked, "{'edit': 'add-filter', 'field': 'net', 'prompt': '" + prompt + "'}");
        String id = reading.filters().getLast().id();
        assertThat(condition(Edited.by(reading, compare(id, "between"))).prompt())
                .contains(prompt);
        assertThat(condition(Edited.by(reading, compare(id, "less"))).prompt()).isEmpty();
    }

    @Test
    void aGroupOfFiltersIsJoinedInAnotherWay() {
        String group = "{'edit': 'group-filter', 'filter': 'f-category', 'of': 'any'}";
        Report joined = Edited.sample(CATEGORY, group, "{'edit': 'join-filters', 'filter': 'f-any', 'of': 'none'}");
        assertThat(joined.filters().getLast().kind()).isEqualTo(FilterKind.NONE);
        assertThat(ids(joined.filters())).containsExactly("f-period", "f-any", "f-category");
        assertThatThrownBy(() -> Edited.sample("{'edit': 'join-filters', 'filter': 'f-period', 'of': 'all'}"))
                .hasMessageContaining("no group of filters");
    }

    @ParameterizedTest
    @CsvSource({"category, IS", "order_number, IS", "late, IS", "net, BETWEEN", "ordered_at, BETWEEN"})
    void aFilterBeginsWithTheUsualComparisonAndNoValue(String field, FilterComparison usual) {
        Report report = Edited.sample("{'edit': 'add-filter', 'field': '" + field + "'}");
        assertThat(condition(report).comparison()).isEqualTo(usual);
        assertThat(condition(report).restricts()).isFalse();
    }

    @Test
    void aPartOfATextIsSoughtWhateverItsCaseUnlessItsAuthorChoosesOtherwise() {
        Report sought = Edited.sample(CATEGORY, compare("f-category", "contains"));
        assertThat(condition(sought).ignoreCase()).contains(true);
        assertThat(condition(Edited.by(sought, compare("f-category", "starts-with")))
                        .ignoreCase())
                .contains(true);
        Report exact = Edited.withFilter(sought, condition(sought).withIgnoreCase(Optional.empty()));
        assertThat(condition(Edited.by(exact, compare("f-category", "does-not-contain")))
                        .ignoreCase())
                .isEmpty();
        assertThat(condition(Edited.by(sought, compare("f-category", "is"))).ignoreCase())
                .isEmpty();
    }
}
