package org.grammatus.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 6.1: no answer restricts nothing. */
class UnansweredTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "nothing",
            value = {
                "a = :p | nothing",
                "a = :p AND b = 1 | b = 1",
                "NOT a = :p | nothing",
                "NOT (a = :p OR b = 1) | NOT (b = 1)",
                "a = :p OR a = :q | a = :q",
                "a IN (1, :p) | nothing",
                "a BETWEEN :p AND 5 | a <= 5",
                "a BETWEEN 5 AND :p | a >= 5",
                "a NOT BETWEEN :p AND 5 | NOT (a <= 5)",
                "a BETWEEN :p AND :p | nothing",
                "a < :p + 1 | nothing",
                "a LIKE :p | nothing",
                "a = COALESCE(:p, 1) | a = COALESCE(:p, 1)",
                ":p IS NULL OR a = 1 | (:p IS NULL) OR (a = 1)",
                "a = :q | a = :q"
            })
    void whatReadsAnUnansweredPromptGoes(String condition, String left) {
        assertThat(Unanswered.removed(ExpressionParser.parse(condition), Set.of("p"))
                        .map(ExpressionPrinter::print)
                        .orElse(null))
                .isEqualTo(left);
    }
}
