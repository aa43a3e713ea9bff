package org.grammatus.export;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Programs tell the columns of a CSV file apart by their headings. */
class HeadingsTest {

    @Test
    void noTwoColumnsAreCalledTheSame() {
        assertThat(Headings.unique(List.of("Region", "Net", "Net", "Net")))
                .containsExactly("Region", "Net", "Net 2", "Net 3");
    }

    @Test
    void aNumberThatAnotherColumnBearsIsPassedOver() {
        assertThat(Headings.unique(List.of("Net", "Net", "Net 2"))).containsExactly("Net", "Net 3", "Net 2");
    }

    @Test
    void aColumnWithoutANameIsNumbered() {
        assertThat(Headings.unique(List.of("Net", "", " "))).containsExactly("Net", "Column 2", "Column 3");
    }
}
