package org.grammatus.server.library;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.definition.Report;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.CompleteDays;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Period;

/**
 * What an answer stands for.
 *
 * @param hidden whether the answers above leave nothing to ask
 * @param asked as addresses write it: a rolling name, an interval, the chosen value
 * @param resolved ISO 8601 interval, {@code ..} for an open end; or the chosen value
 * @param words the same with month names
 * @param beyond until when the data are complete, where it asks for more
 * @param problem what is wrong with it
 */
public record AnswerView(
        String name,
        boolean hidden,
        String asked,
        String resolved,
        String words,
        Optional<Beyond> beyond,
        Optional<String> problem) {

    /**
     * Days that are asked for and not complete.
     *
     * @param until the last complete day in words
     * @param complete the answer without the days after it; none where none is left
     */
    public record Beyond(String until, Optional<String> complete) {

        private static Beyond of(CompleteDays days, ULocale locale) {
            return new Beyond(
                    DateBucket.day(days.until().toEpochDay(), locale),
                    days.complete().map(Period::toString));
        }
    }

    /** An answer that is asked of no dataset that says until when it is complete. */
    public static AnswerView of(ResolvedPrompt prompt, Report report, List<Problem> found) {
        return of(prompt, report, found, Optional.empty());
    }

    /**
     * An answer.
     *
     * @param found what is wrong with all of them
     * @param beyond what it asks for beyond the days that are complete
     */
    public static AnswerView of(
            ResolvedPrompt prompt, Report report, List<Problem> found, Optional<CompleteDays> beyond) {
        String at = "/answers/" + prompt.name();
        return new AnswerView(
                prompt.name(),
                prompt.hidden(),
                prompt.asked(),
                prompt.resolved(),
                prompt.inWords(ULocale.forLanguageTag(report.locale())),
                beyond.map(days -> Beyond.of(days, ULocale.forLanguageTag(report.locale()))),
                found.stream()
                        .filter(problem -> problem.pointer().equals(at))
                        .map(Problem::message)
                        .findFirst());
    }
}
