package org.grammatus.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.grammatus.core.Meaning;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 6: no answer restricts nothing. */
@Meaning(6)
class UnansweredTest {

    @ParameterizedTest
    @CsvSource(
            delimiterString = " => ",
            nullValues = "true",
            quoteCharacter = '"',
            value = {
                "a = :p => true",
                "a = :p AND b = 1 => b = 1",
                "NOT a = :p => true",
                "NOT (a = :p OR b = 1) => b <> 1",
                "NOT (a = :p AND b = 1) => true",
                "NOT (a = :p OR NOT (b > 1 AND c < 2)) => (b > 1) AND (c < 2)",
                "a = :p OR a = :q => true",
                "a <> :p OR a IS NULL => true",
                "NOT (a LIKE '%' || :p || '%') OR a IS NULL => true",
                "a NOT IN (:p) OR a IS NULL => true",
                "NOT (a = :p OR b IN (1, 2) OR c LIKE 'x' OR d IS NULL) => "
                        + "((b NOT IN (1, 2)) AND (c NOT LIKE 'x')) AND (d IS NOT NULL)",
                "a IN (1, :p) => true",
                "a BETWEEN :p AND 5 => a <= 5",
                "a BETWEEN 5 AND :p => a >= 5",
                "a NOT BETWEEN :p AND 5 => a > 5",
                "NOT (a BETWEEN 5 AND :p) => a < 5",
                "NOT (a NOT BETWEEN :p AND 5) => a <= 5",
                "a BETWEEN :p AND :p => true",
                "NOT (a = :p OR b BETWEEN 1 AND 2) => b NOT BETWEEN 1 AND 2",
                "a < :p + 1 => true",
                "a LIKE :p => true",
                "a = COALESCE(:p, 1) => a = COALESCE(:p, 1)",
                ":p IS NULL OR a = 1 => (:p IS NULL) OR (a = 1)",
                "NOT (:p IS NOT NULL AND a = :p) => true",
                "(a || :p) IS NULL => true",
                "CASE WHEN :p = 'x' THEN a = 1 ELSE b = 1 END => true",
                "COUNT(*) FILTER (WHERE a = :p) > 3 => COUNT(*) FILTER (WHERE a = :p) > 3",
                "SUM(:p) > 3 AND COUNT(*) > 1 => COUNT(*) > 1",
                "a = :q => a = :q",
                "NOT (a = :q OR b = 1) => NOT ((a = :q) OR (b = 1))"
            })
    void whatReadsAnUnansweredPromptIsTrue(String condition, String left) {
        assertThat(Unanswered.removed(ExpressionParser.parse(condition), Set.of("p"))
                        .map(ExpressionPrinter::print)
                        .orElse(null))
                .isEqualTo(left == null ? null : ExpressionPrinter.print(ExpressionParser.parse(left)));
    }
}
