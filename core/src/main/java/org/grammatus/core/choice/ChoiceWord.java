package org.grammatus.core.choice;

import java.util.Locale;

/** The words by which documents and addresses write choices. */
public final class ChoiceWord {

    private ChoiceWord() {}

    /** Small words joined by hyphens: {@code FISCAL_YEAR} is {@code fiscal-year}. */
    public static String of(Enum<?> choice) {
        return choice.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
