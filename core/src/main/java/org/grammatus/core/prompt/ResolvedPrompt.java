package org.grammatus.core.prompt;

import com.ibm.icu.util.ULocale;
import java.util.Optional;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;

/**
 * A prompt with its answer.
 *
 * @param name what expressions call it, after a colon
 * @param field for a choice, the field whose values are offered
 * @param asked the answer as files and addresses write it, rolling names kept; empty text when there was none
 * @param period the days it stands for now; open for a choice
 * @param choice the chosen value; NULL without one, and for a period
 */
public record ResolvedPrompt(
        String name,
        String label,
        PromptType type,
        Optional<String> field,
        String asked,
        Period period,
        Scalar choice) {

    /** The answer with month names, as it stands on the page: {@code 1 October 2025 to 20 November 2026}, {@code all dates}; a choice as it is. */
    public String inWords(ULocale locale) {
        if (type == PromptType.CHOICE) {
            return asked.isEmpty() ? "all" : asked;
        }
        String from = period.from().map(d -> day(d.toEpochDay(), locale)).orElse("");
        String to = period.to().map(d -> day(d.toEpochDay(), locale)).orElse("");
        if (period.isOpen()) {
            return "all dates";
        }
        if (from.equals(to)) {
            return from;
        }
        return to.isEmpty() ? "from " + from : from.isEmpty() ? "up to " + to : from + " to " + to;
    }

    /** What the answer stands for as it is written in files and addresses: an ISO 8601 interval, or the chosen value. */
    public String resolved() {
        return type == PromptType.CHOICE ? asked : period.toString();
    }

    private static String day(long epochDay, ULocale locale) {
        return DateBucket.format("d MMMM y", epochDay, locale);
    }
}
