package org.grammatus.core.columnar;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.text.Collator;
import com.ibm.icu.text.RuleBasedCollator;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import org.grammatus.core.Meaning;
import org.junit.jupiter.api.Test;

/** The locale's order of texts: case ignored first, digits as numbers, ties by code point. */
@Meaning(8)
class DictionariesTest {

    @Test
    void readsDigitsAsNumbersAndIgnoresCaseFirst() {
        List<String> texts = new ArrayList<>(List.of(
                "Depot 10", "depot 2", "Depot 2", "Ärger", "Zebra", "apple", "S0100", "S099", "S100", "10", "9"));
        texts.sort(Dictionaries.collation(ULocale.UK));
        assertThat(texts)
                .containsExactly(
                        "9",
                        "10",
                        "apple",
                        "Ärger",
                        "depot 2",
                        "Depot 2",
                        "Depot 10",
                        "S099",
                        "S0100",
                        "S100",
                        "Zebra");
    }

    /** What is decided by digits alone is decided as the collator would. */
    @Test
    void theShortWayAgreesWithTheLongOne() {
        RuleBasedCollator collator = (RuleBasedCollator) Collator.getInstance(ULocale.UK);
        collator.setNumericCollation(true);
        Comparator<String> plain = ((Comparator<String>) collator::compare).thenComparing(Dictionaries.BY_CODE_POINT);
        Comparator<String> ours = Dictionaries.collation(ULocale.UK);
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 20_000; i++) {
            String a = text(random);
            String b = text(random);
            assertThat(Integer.signum(ours.compare(a, b)))
                    .as(a + " and " + b)
                    .isEqualTo(Integer.signum(plain.compare(a, b)));
        }
    }

    private static String text(SplittableRandom random) {
        String characters = "0012aAé-9 .";
        StringBuilder text = new StringBuilder();
        for (int i = random.nextInt(6); i >= 0; i--) {
            text.append(characters.charAt(random.nextInt(characters.length())));
        }
        return text.toString();
    }
}
