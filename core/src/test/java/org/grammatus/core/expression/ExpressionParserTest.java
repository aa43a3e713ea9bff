package org.grammatus.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.SplittableRandom;
import org.grammatus.core.problem.ProblemException;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Text to tree to text; faults with their position, in a person's words. */
class ExpressionParserTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '→',
            quoteCharacter = '`',
            value = {
                "a + b * c → a + (b * c)",
                "a - b - c → (a - b) - c",
                "not a = 1 and b = 2 or c = 3 → ((NOT (a = 1)) AND b = 2) OR c = 3",
                "a || 'x' || b → (a || 'x') || b",
                "x between 1 and 2 and y in (1, 2) → (x BETWEEN 1 AND 2) AND y IN (1, 2)",
                "\"Net sales\" is not null → \"Net sales\" IS NOT NULL",
                "case when a > 0 then 'up' else 'down' end → CASE WHEN a > 0 THEN 'up' ELSE 'down' END",
                "case s when 'x' then 1 end → CASE s WHEN 'x' THEN 1 END",
                "count(*) + count(distinct a) → COUNT(*) + COUNT(DISTINCT a)",
                "d >= :period_from + interval '1' day → d >= :period_from + INTERVAL '1' DAY",
                "'O''Brien' = name → 'O''Brien' = name",
                "date '2026-01-31' → DATE '2026-01-31'",
                "-a * 2 → (- a) * 2",
                "day → day",
                "a = 1 and b = 2 and (c = 3 and d = 4) → a = 1 AND b = 2 AND (c = 3 AND d = 4)",
                "name not like 'a!%%' escape '!' → name NOT LIKE 'a!%%' ESCAPE '!'",
                "coalesce(a, b, 0) → COALESCE(a, b, 0)",
                "current_date - due > 3 → (CURRENT_DATE - due) > 3",
                "count(*) filter (where a > 1) → COUNT(*) FILTER (WHERE a > 1)",
                "median(a) + first(b) || last(c) → (MEDIAN(a) + FIRST(b)) || LAST(c)",
                "first + median + by + over → ((first + median) + by) + over",
                "sum(a) over () → SUM(a) OVER ()",
                "rank() over (order by a) → RANK() OVER (ORDER BY a)",
                "cume_dist() over (partition by b order by a + 1 desc) → CUME_DIST() OVER (PARTITION BY b ORDER BY a + 1 DESC)",
                "lag(a) over (partition by b order by c) → LAG(a) OVER (PARTITION BY b ORDER BY c)",
                "rank + lag * desc → rank + (lag * desc)",
                "sum(a) over (partition by b order by c) → SUM(a) OVER (PARTITION BY b ORDER BY c)",
                "max(order) over (order by order) → MAX(order) OVER (ORDER BY order)",
                "count(*) filter (where a) over (partition by b, \"c d\") → COUNT(*) FILTER (WHERE a) OVER (PARTITION BY b, \"c d\")",
                "sum(distinct a) filter (where b) → SUM(DISTINCT a) FILTER (WHERE b)",
                "upper(a) || lower(b) → UPPER(a) || LOWER(b)",
                "substring(a from 2 for 3) → SUBSTRING(a FROM 2 FOR 3)",
                "position('x' in a || b) → POSITION('x' IN (a || b))",
                "cast(a + 1 as decimal(10, 2)) → CAST(a + 1 AS DECIMAL(38, 2))",
                "cast(a as varchar) → CAST(a AS VARCHAR)",
                "extract(year from d) = 2026 → EXTRACT(YEAR FROM d) = 2026",
                "d - interval '2' month → d - INTERVAL '2' MONTH",
                "round(a, 2) + mod(a, 3) → ROUND(a, 2) + MOD(a, 3)",
                "year + month + filter → (year + month) + filter"
            })
    void printsWhatItUnderstood(String text, String printed) {
        assertThat(ExpressionPrinter.print(ExpressionParser.parse(text))).isEqualTo(printed);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '→',
            quoteCharacter = '`',
            value = {
                "sum(a → 1:6 found the end, expected an operator or \")\"",
                "a + ) → 1:5 found \")\", expected a value",
                "a b → 1:3 found \"b\", expected an operator or the end",
                "a = 'x → 1:5 found a text without its closing '",
                "a != b → 1:3 found \"!\", expected <> for \"not equal\"",
                "date '2026-02-30' → 1:6 \"2026-02-30\" is no day: February 2026 has 28 days",
                "a like 'x' escape 'yz' → 1:19 found 'yz', expected one character",
                "uper(a) → 1:1 unknown function \"uper\"; did you mean \"UPPER\"?",
                "mod(a) → 1:1 MOD takes 2 values, found 1",
                "cast(a as money) → 1:11 unknown type \"money\", expected one of VARCHAR, INTEGER, DECIMAL, DATE, TIMESTAMP, BOOLEAN",
                "cast(a as decimal(9, 40)) → 1:22 found 40, expected at most 18 digits after the point",
                "d + interval '1000000' day → 1:14 found 1000000, expected at most 100000",
                "a ; b → 1:3 found \";\", which no expression contains"
            })
    void saysWhereAFaultIsAndWhatWasExpected(String text, String message) {
        assertThatThrownBy(() -> ExpressionParser.parse(text))
                .isInstanceOf(ProblemException.class)
                .hasMessage(message);
    }

    @Test
    void countsPositionsInLinesAndCodePoints() {
        assertThatThrownBy(() -> ExpressionParser.parse("'🐝🐝' ||\n  )")).hasMessageStartingWith("2:3 found \")\"");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   "})
    void anEmptyExpressionIsAFault(String text) {
        assertThatThrownBy(() -> ExpressionParser.parse(text)).hasMessageContaining("expected a value");
    }

    @Test
    void refusesWhatIsTooDeepOrTooLong() {
        assertThatThrownBy(() -> ExpressionParser.parse("(".repeat(5_000) + "1"))
                .hasMessageContaining("nested deeper than 100");
        assertThatThrownBy(() -> ExpressionParser.parse("1" + "+1".repeat(5_000)))
                .hasMessageContaining("longer than 2000");
        assertThatThrownBy(() -> ExpressionParser.parse("NOT ".repeat(1_500) + "TRUE"))
                .hasMessageContaining("nested deeper than 100");
        assertThatThrownBy(() -> ExpressionParser.parse("- ".repeat(1_500) + "1"))
                .hasMessageContaining("nested deeper than 100");
        assertThatThrownBy(() -> ExpressionParser.parse("1" + "+1".repeat(900)))
                .hasMessageContaining("more than 250 operators take each other's results");
        assertThat(ExpressionParser.parse("1" + "+1".repeat(240))).isNotNull();
    }

    /** parse ∘ print is the identity on trees, and so print ∘ parse on printed texts. */
    @RepeatedTest(300)
    void printingRoundTrips(RepetitionInfo repetition) {
        String text = ExpressionPrinter.print(
                ExpressionParser.parse(new Generator(repetition.getCurrentRepetition()).expression(4)));
        assertThat(ExpressionPrinter.print(ExpressionParser.parse(text))).isEqualTo(text);
    }

    /** Writes random expressions; they need not make sense, only be well-formed. */
    private static final class Generator {
        private final SplittableRandom random;

        Generator(long seed) {
            random = new SplittableRandom(seed);
        }

        String expression(int depth) {
            if (depth == 0) {
                return pick(List.of("a", "\"q x\"", "12", "0.50", "'it''s'", "NULL", "TRUE", ":p_from", "COUNT(*)"));
            }
            String x = "(" + expression(depth - 1) + ")";
            String y = "(" + expression(depth - 1) + ")";
            return pick(List.of(
                    x + " + " + y,
                    x + " - " + y + " * " + x,
                    x + " / " + y,
                    x + " || " + y,
                    "-" + x,
                    x + " <= " + y,
                    x + " <> " + y + " AND NOT " + x,
                    x + " LIKE " + y,
                    x + " NOT LIKE " + y + " ESCAPE '!'",
                    "COALESCE(" + x + ", " + y + ")",
                    x + " - CURRENT_DATE",
                    x + " IS NULL OR " + y + " IS NOT NULL",
                    x + " NOT BETWEEN " + y + " AND " + x,
                    x + " IN (" + y + ", 1)",
                    "CASE " + x + " WHEN " + y + " THEN 1 ELSE 2 END",
                    "SUM(DISTINCT " + x + ")",
                    "COUNT(*) FILTER (WHERE " + x + ")",
                    "MEDIAN(" + x + ") OVER (PARTITION BY a, b)",
                    "LAST(" + x + ") OVER ()",
                    "SUM(" + x + ") OVER (PARTITION BY a ORDER BY b)",
                    "SUBSTRING(" + x + " FROM " + y + " FOR 2)",
                    "POSITION(" + x + " IN " + y + ")",
                    "CAST(" + x + " AS DECIMAL(9, 3))",
                    "EXTRACT(MONTH FROM " + x + ")",
                    "NULLIF(" + x + ", ROUND(" + y + ", 1))",
                    x + " + INTERVAL '3' YEAR"));
        }

        private String pick(List<String> options) {
            return options.get(random.nextInt(options.size()));
        }
    }
}
