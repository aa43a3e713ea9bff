package org.grammatus.core.band;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import org.grammatus.core.Meaning;
import org.grammatus.core.value.Scalar;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** 11: a figure that rounds to zero has no sign. */
@Meaning(1)
class ZeroSignTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "-0.004 | #,##0.00 | 0.00",
                "-0.005 | #,##0.00 | -0.01",
                "-0.4 | #,##0 | 0",
                "-0.5 | #,##0 | -1",
                "-0.0004 | 0.0% | 0.0%",
                "-0.0006 | 0.0% | -0.1%",
                "-0.2 | #,##0;(#,##0) | 0",
                "-1 | #,##0;(#,##0) | (1)",
                "0.004 | #,##0.00 | 0.00"
            })
    void aFigureThatRoundsToZeroHasNoSign(String value, String pattern, String printed) {
        Scalar number = Scalar.Number.decimal(new BigDecimal(value));
        assertThat(new ValueFormat(number.type(), pattern, ULocale.UK).format(number))
                .isEqualTo(printed);
    }
}
