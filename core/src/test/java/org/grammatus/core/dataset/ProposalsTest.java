package org.grammatus.core.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import org.grammatus.core.Samples;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.definition.document.Definitions;
import org.junit.jupiter.api.Test;

/** What is proposed for a field makes sense for what it holds. */
class ProposalsTest {

    private static final DatasetModel DATASET = Samples.dataset();

    private static Proposals.Subject field(String id) {
        return Proposals.Subject.of(id, DATASET);
    }

    @Test
    void whatAddsUpIsSummedByItself() {
        assertThat(Proposals.usual(field("net")).orElseThrow().value()).isEqualTo("SUM(net)");
        assertThat(Proposals.againstSum(field("net"))).isEmpty();
    }

    @Test
    void whatDoesNotAddUpHasNoTotalOfItselfAndSaysWhy() {
        assertThat(Proposals.usual(field("price"))).isEmpty();
        assertThat(Proposals.totals(field("price")).getFirst().advice())
                .contains("\"Price\" does not add up; an average or a count may be meant");
        assertThat(Proposals.usual(field("order_number"))).isEmpty();
        assertThat(Proposals.againstSum(field("order_number")).orElseThrow()).contains("is an identifier");
    }

    @Test
    void textsAreCountedAndComparedButNotSummed() {
        assertThat(Proposals.totals(field("region")))
                .extracting(Proposals.Total::value)
                .containsExactly("COUNT(region)", "COUNT(DISTINCT region)", "MIN(region)", "MAX(region)");
    }

    @Test
    void datesAreGroupedByMonthAndOtherFieldsByThemselves() {
        assertThat(Proposals.level(field("ordered_at"), DATASET).orElseThrow().bucket())
                .contains(Bucket.MONTH);
        assertThat(Proposals.level(field("region"), DATASET).orElseThrow().key())
                .isEqualTo("region");
    }

    @Test
    void aNameIsGroupedByTheCodeBehindIt() {
        DatasetModel named = DatasetModel.of(
                Definitions.readDataset(
                        Samples.DATASET.replace(
                                "\"noun\": {\"one\": \"order\", \"other\": \"orders\"}",
                                "\"noun\": {\"one\": \"order\", \"other\": \"orders\"}, \"code\": \"order_number\", \"name\": \"region\"")));
        Proposals.Level level =
                Proposals.level(Proposals.Subject.of("region", named), named).orElseThrow();
        assertThat(level.key()).isEqualTo("order_number");
        assertThat(level.label()).contains("region");
    }

    @Test
    void countsNameWhatRowsBelongToAndTheRows() {
        assertThat(Proposals.counts(DATASET)).containsExactly("orders", "lines");
    }

    @Test
    void aKeywordIsQuotedInExpressions() {
        DatasetModel odd = DatasetModel.of(
                Definitions.readDataset(Samples.DATASET.replace("\"id\": \"price\"", "\"id\": \"date\"")));
        assertThat(Proposals.column(Proposals.Subject.of("date", odd))).isEqualTo("\"date\"");
        assertThat(Proposals.totals(Proposals.Subject.of("date", odd))
                        .getFirst()
                        .value())
                .isEqualTo("SUM(\"date\")");
    }

    @Test
    void aMeasureIsItsOwnTotalAndNoLevel() {
        DatasetModel dataset = Samples.dataset(
                "{\"id\": \"tax\", \"label\": \"Tax\", \"value\": \"net * 0.2\", \"role\": \"additive\"}",
                "{\"id\": \"takings\", \"label\": \"Takings\", \"value\": \"SUM(freight)\"}");
        Proposals.Subject takings = Proposals.Subject.of("takings", dataset);
        assertThat(Proposals.usual(takings).orElseThrow().value()).isEqualTo("takings");
        assertThat(Proposals.column(takings)).isEqualTo("''");
        assertThat(Proposals.level(takings, dataset)).isEmpty();
        assertThat(dataset.table(takings.home()).id()).isEqualTo("orders");
        Proposals.Subject tax = Proposals.Subject.of("tax", dataset);
        assertThat(Proposals.usual(tax).orElseThrow().value()).isEqualTo("SUM(tax)");
        assertThat(Proposals.level(tax, dataset).orElseThrow().key()).isEqualTo("tax");
    }
}
