package org.grammatus.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import org.grammatus.core.problem.ProblemException;
import org.junit.jupiter.api.Test;

/** What people call a field may have several words, which no name has: its name is offered. */
class LabelsInExpressionsTest {

    private static final Map<String, String> LABELS =
            Map.of("net_amount", "Net sales", "net_sales_tax", "Net sales tax", "depot", "Depot");

    @Test
    void aLabelOfSeveralWordsIsToldItsNameTheLongestFirst() {
        assertThatThrownBy(() -> ExpressionParser.parse("net SALES * 2", LABELS))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("1:5")
                .hasMessageContaining("did you mean \"net_amount\" (Net sales)?");
        assertThatThrownBy(() -> ExpressionParser.parse("1 + Net sales tax", LABELS))
                .hasMessageContaining("did you mean \"net_sales_tax\"?");
    }

    @Test
    void otherFaultsAndWhatIsRightAreLeftAlone() {
        assertThatThrownBy(() -> ExpressionParser.parse("depot depot", LABELS)).hasMessageNotContaining("did you mean");
        assertThat(ExpressionParser.parse("'Net sales'", LABELS)).isEqualTo(ExpressionParser.parse("'Net sales'"));
    }
}
