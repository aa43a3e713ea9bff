package org.grammatus.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.grammatus.core.edit.Edited.table;

import java.time.LocalDate;
import java.util.Map;
import java.util.stream.Stream;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.edit.rule.BuiltRule;
import org.grammatus.core.edit.rule.ReadyRules;
import org.grammatus.core.edit.rule.RuleChoices;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class HighlightEditsTest {

    private static String when(Report report) {
        return table(report).highlights().getLast().when();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "c-net      | net > 100",
                "t-freight  | SUM(freight) > 0",
                "c-category | category IS NULL",
                "c-late     | late",
                "c-mean-price | mean_price > 0",
            })
    void aHighlightBeginsWithWhatIsAskedMost(String about, String when) {
        Report report = Edited.sample(
                "{'edit': 'add-column', 'field': 'category'}",
                "{'edit': 'add-column', 'field': 'late'}",
                "{'edit': 'add-column', 'field': 'mean_price'}",
                "{'edit': 'add-highlight', 'label': 'Mark', 'about': '" + about + "'}");
        assertThat(when(report)).isEqualTo(when);
        assertThat(EditOffers.of(report, Edited.scope()).highlights()).hasSize(1);
    }

    static Stream<ReadyRules.Offer> offers() {
        return EditOffers.of(numbers(), Edited.scope()).ready().stream().flatMap(part -> part.rules().stream());
    }

    private static Report numbers() {
        return Edited.sample("{'edit': 'add-column', 'field': 'category'}");
    }

    @ParameterizedTest
    @MethodSource("offers")
    void everyRuleThatIsOfferedCanBePlanned(ReadyRules.Offer offer) {
        String about = EditOffers.of(numbers(), Edited.scope()).ready().stream()
                .filter(part -> part.rules().contains(offer))
                .findFirst()
                .orElseThrow()
                .part();
        Report marked = Edited.by(
                numbers(),
                "{'edit': 'add-ready-highlight', 'about': '" + about + "', 'rule': '"
                        + offer.rule().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-')
                        + "', 'label': 'Mark'}");
        assertThat(when(marked)).isEqualTo(offer.when());
        assertThat(Planner.plan(
                                marked,
                                Edited.DATASET,
                                new Answers(Map.of("period", "2026-01-01/2026-12-31")),
                                Samples.CONTEXT)
                        .table()
                        .highlights())
                .hasSize(1);
    }

    @Test
    void aRuleIsAboutAnotherValueAndKeepsWhatStillFits() {
        Report marked = Edited.sample("{'edit': 'add-highlight', 'label': 'Mark', 'about': 'c-net'}");
        String set = "{'edit': 'set-rule', 'highlight': 'h-mark', 'value': ";
        assertThat(when(Edited.by(marked, set + "'price'}"))).isEqualTo("price > 100");
        assertThat(when(Edited.by(marked, set + "'net', 'operator': '<='}"))).isEqualTo("net <= 100");
        assertThat(when(Edited.by(marked, set + "'net', 'typed': '1 250,5'}"))).isEqualTo("net > 1250.5");
        assertThat(when(Edited.by(marked, set + "'net', 'typed': '1 250,'}"))).isEqualTo("net > 100");
        assertThat(when(Edited.by(marked, set + "'net', 'than': 'AVG(net) OVER ()'}")))
                .isEqualTo("net > AVG(net) OVER ()");
        assertThat(when(Edited.by(marked, set + "'net', 'operator': 'IS NULL'}")))
                .isEqualTo("net IS NULL");
        assertThat(when(Edited.by(marked, set + "'ordered_at'}"))).isEqualTo("ordered_at > CURRENT_DATE");
        Report texts =
                Edited.by(marked, set + "'region', 'operator': '=', 'typed': 'King''s'}".replace("King''s", "Kings"));
        assertThat(when(texts)).isEqualTo("region = 'Kings'");
        assertThatThrownBy(() -> Edited.by(marked, set + "'depot'}")).hasMessageContaining("depot");
        assertThatThrownBy(() -> Edited.by(marked, set + "'net', 'operator': 'LIKE'}"))
                .hasMessageContaining("LIKE");
    }

    @Test
    void aDayThatIsToBeTypedBeginsWithTheBusinessDate() {
        assertThat(BuiltRule.unwritten(org.grammatus.core.value.Kind.DATE, LocalDate.parse("2026-11-20")))
                .isEqualTo("DATE '2026-11-20'");
    }

    @Test
    void theComparisonThatAConditionIsIsOffered() {
        Report marked = Edited.sample("{'edit': 'add-highlight', 'label': 'Mark', 'about': 'c-net'}");
        EditOffers.Rule rule =
                EditOffers.of(marked, Edited.scope()).highlights().getFirst();
        assertThat(rule.built().orElseThrow().typed()).contains("100");
        assertThat(rule.countable()).isTrue();
        assertThat(rule.than()).extracting(RuleChoices.Choice::text).contains("AVG(net) OVER ()", "freight");
    }

    @Test
    void markedRowsAreCountedInAColumn() {
        Report counted = Edited.sample(
                "{'edit': 'add-highlight', 'label': 'Large', 'about': 'c-net'}",
                "{'edit': 'count-highlight', 'highlight': 'h-large'}");
        assertThat(table(counted).totals().getLast())
                .returns("COUNT(*) FILTER (WHERE net > 100)", ReportTotal::value)
                .returns(3, total -> total.cells().size());
        assertThatThrownBy(() -> Edited.sample(
                        "{'edit': 'add-highlight', 'label': 'Large', 'about': 't-net'}",
                        "{'edit': 'count-highlight', 'highlight': 'h-large'}"))
                .hasMessageContaining("counted");
    }

    @Test
    void aHighlightIsRemoved() {
        Report report = Edited.sample(
                "{'edit': 'add-highlight', 'label': 'Large'}", "{'edit': 'remove-highlight', 'highlight': 'h-large'}");
        assertThat(table(report).highlights()).extracting(ReportHighlight::id).isEmpty();
    }

    private static String reach(String what) {
        return "{'edit': 'reach-with-highlight', 'highlight': 'h-mark', " + what + "}";
    }

    @Test
    void aHighlightMarksWhatItsBlockHas() {
        Report marked = Edited.sample("{'edit': 'add-highlight', 'label': 'Mark', 'about': 'c-net'}");
        String level = table(marked).levels().getFirst().id();
        Report group = Edited.by(marked, reach("'of': 'group', 'level': '" + level + "'"));
        assertThat(table(group).highlights().getLast().reach())
                .hasValueSatisfying(place -> assertThat(place.level()).contains(level));
        Report cell = Edited.by(marked, reach("'of': 'totals', 'level': 'report', 'column': 'c-net'"));
        assertThat(table(cell).highlights().getLast().reach())
                .hasValueSatisfying(place -> assertThat(place.column()).contains("c-net"));
        assertThat(table(Edited.by(cell, reach("'of': 'row'")))
                        .highlights()
                        .getLast()
                        .reach())
                .isEmpty();
        assertThat(EditOffers.of(marked, Edited.scope()).reaches())
                .hasSize(2 + 3 * table(marked).levels().size());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "'of': 'group', 'level': 'gone'",
                "'of': 'heading', 'level': 'report'",
                "'of': 'row', 'level': 'report'",
                "'of': 'figure', 'figure': 'net'",
                "'of': 'row', 'column': 'gone'"
            })
    void aHighlightMarksNothingThatIsNotThere(String what) {
        Report marked = Edited.sample("{'edit': 'add-highlight', 'label': 'Mark', 'about': 'c-net'}");
        assertThatThrownBy(() -> Edited.by(marked, reach(what))).isInstanceOf(ProblemException.class);
    }
}
