package org.grammatus.core.problem;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;

/** What was mistyped is led to the nearest name, whether it is like the name or like what people call it. */
class SuggestionTest {

    private static final Map<String, String> LABELS =
            Map.of("net_amount", "Net sales", "region", "Region", "order_no", "Order number");

    @Test
    void aLabelLeadsToItsName() {
        assertThat(Suggestion.inWords("Net sale", LABELS)).isEqualTo("; did you mean \"net_amount\" (Net sales)?");
        assertThat(Suggestion.inWords("order number", LABELS)).isEqualTo("; did you mean \"order_no\" (Order number)?");
    }

    @Test
    void theBeginningOfALabelIsEnough() {
        assertThat(Suggestion.inWords("net", LABELS)).isEqualTo("; did you mean \"net_amount\" (Net sales)?");
        assertThat(Suggestion.inWords("ne", LABELS)).isEmpty();
    }

    @Test
    void aNameComesBeforeALabelThatSaysTheSame() {
        assertThat(Suggestion.inWords("regoin", LABELS)).isEqualTo("; did you mean \"region\"?");
    }

    @Test
    void whatIsLikeNothingIsLedNowhere() {
        assertThat(Suggestion.inWords("weather", LABELS)).isEmpty();
    }
}
