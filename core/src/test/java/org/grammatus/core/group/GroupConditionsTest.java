package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.choice.GroupMeasure;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.GroupCondition;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Scalar;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 43: built conditions on groups; shares and figures across the report are those before any group is left out. */
@Meaning(43)
class GroupConditionsTest {

    private static final Samples SALES = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S3", "2026-01-07T10:00", "Upland", "2.00")
            .order("S5", "2026-01-08T10:00", "Coast", "9.00")
            .line("S1", "Hives", "30.00")
            .line("S1", "Jars", "15.00")
            .line("S3", "Hives", "8.00")
            .line("S3", "Jars", "4.00")
            .line("S3", "Feed", "3.00")
            .line("S5", "Feed", "-10.00");

    private static String level(String id, String key, String more) {
        return "{'id': '%s', 'name': '%s', 'key': '%s', %s 'order': [{'id': 'o-%s', 'by': 'SUM(net)', 'direction': 'descending'}]}"
                .replace('\'', '"')
                .formatted(id, id, key, more, id);
    }

    private static String condition(String id, String measure, String comparison, String compared) {
        return "{'id': '%s', 'measure': '%s', 'by': 'SUM(net)', 'comparison': '%s', %s}"
                .replace('\'', '"')
                .formatted(id, measure, comparison, compared.replace('\'', '"'));
    }

    private static String conditions(String... conditions) {
        return "\"conditions\": [" + String.join(", ", conditions) + "],";
    }

    private static List<String> groups(Report report, Answers answers) {
        return TreeText.of(SALES.grouped(report, answers)).stream()
                .map(line -> line.replaceAll(" \\|.*", ""))
                .skip(1)
                .toList();
    }

    private static List<String> groups(String levels) {
        return groups(Samples.report(levels, "", "{\"value\": \"SUM(net)\"}"), Answers.NONE);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "value | more | 15 | Lakeside",
                "value | at-least | 15 | Lakeside Upland",
                "value | less | 15.00 | Coast",
                "value | at-most | 15 | Upland Coast",
                "share-of-report | at-least | 30 | Lakeside Upland",
                "share-of-report | more | 30 | Lakeside",
                "share-of-report | less | 0 | Coast",
                "share-of-parent | at-most | 30 | Upland Coast",
            })
    void groupsAreKeptByAFigureOrByAShare(String measure, String comparison, String value, String kept) {
        String level =
                level("region", "region", conditions(condition("g", measure, comparison, "'value': '" + value + "'")));
        assertThat(groups(level)).extracting(String::strip).containsExactly(kept.split(" "));
    }

    @Test
    void sharesAreOfAllGroupsAndValuesOfThoseThatAreLeft() {
        String large = level("category", "category", "\"having\": \"SUM(net) >= 5\",");
        String share = conditions(condition("g", "share-of-report", "at-least", "'value': '30'"));
        String value = conditions(condition("g", "value", "at-least", "'value': '15'"));
        // Without its jars and feed, Upland has 8 of its 15 left.
        assertThat(groups(level("region", "region", share) + ", " + large))
                .containsExactly("  Lakeside", "    Hives", "    Jars", "  Upland", "    Hives");
        assertThat(groups(level("region", "region", value) + ", " + large))
                .containsExactly("  Lakeside", "    Hives", "    Jars");
    }

    @Test
    void aKeyIsComparedWithItsNamesakesWhereverTheyStand() {
        String across = conditions(condition("g", "across-report", "more", "'value': '18'"));
        assertThat(groups(level("region", "region", "") + ", " + level("category", "category", across)))
                .containsExactly("  Lakeside", "    Hives", "    Jars", "  Upland", "    Hives", "    Jars");
    }

    @Test
    void severalHoldTogetherAndOneThatIsOffDoesNotCount() {
        String both = conditions(
                condition("g", "value", "more", "'value': '0'"),
                condition("h", "share-of-report", "less", "'value': '50'"),
                condition("i", "value", "less", "'value': '0', 'off': true"));
        assertThat(groups(level("region", "region", both))).containsExactly("  Upland");
    }

    @Test
    void aShareOfNothingIsNoShareAndOneOfALossTurnsRound() {
        GroupCondition tenth = new GroupCondition(
                GroupMeasure.SHARE_OF_PARENT,
                new Typed.Constant(Scalar.Number.of(0)),
                FilterComparison.AT_LEAST,
                BigDecimal.TEN);
        assertThat(tenth.isMetBy(BigDecimal.ONE, BigDecimal.ZERO)).isFalse();
        assertThat(tenth.isMetBy(BigDecimal.ONE, new BigDecimal("10"))).isTrue();
        assertThat(tenth.isMetBy(new BigDecimal("-1"), new BigDecimal("-10"))).isTrue();
        assertThat(tenth.isMetBy(BigDecimal.ONE, new BigDecimal("-10"))).isFalse();
    }

    @Test
    void anAnswerMayBeComparedWithAndWithoutOneNothingIsLeftOut() {
        String prompt = "'prompts': [{'id': 'p-least', 'name': 'least', 'type': 'decimal', 'label': 'Least'},"
                .replace('\'', '"');
        String level = level("region", "region", conditions(condition("g", "value", "at-least", "'prompt': 'least'")));
        Report report = Definitions.readReport(Definitions.write(Samples.report(level, "", "{\"value\": \"SUM(net)\"}"))
                .replaceFirst("\"prompts\"\\s*:\\s*\\[", prompt));
        assertThat(groups(report, new Answers(Map.of("least", "15")))).containsExactly("  Lakeside", "  Upland");
        assertThat(groups(report, Answers.NONE)).hasSize(3);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'prompt': 'period_from' | /conditions/0/prompt | does not ask for a number",
                "'prompt': 'period_form' | /conditions/0/prompt | period_from",
                "'off': false | /conditions/0 | give one of both",
                "'value': '1', 'prompt': 'period' | /conditions/0 | give one of both",
                "'value': 'many' | /conditions/0/value | many"
            })
    void whatItIsComparedWithIsANumber(String compared, String pointer, String message) {
        String level = level("region", "region", conditions(condition("g", "value", "more", compared)));
        assertThatThrownBy(() -> groups(level)).hasMessageContaining(pointer).hasMessageContaining(message);
    }

    @Test
    void whatDependsOnOtherGroupsIsRefused() {
        String over =
                conditions(condition("g", "value", "more", "'value': '1'")).replace("SUM(net)", "SUM(net) OVER ()");
        assertThatThrownBy(() -> groups(level("region", "region", over)))
                .hasMessageContaining("/conditions/0/by")
                .hasMessageContaining("only known once the groups are chosen");
    }
}
