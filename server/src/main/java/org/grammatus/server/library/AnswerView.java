package org.grammatus.server.library;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.Report;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.ResolvedPrompt;

/**
 * What an answer stands for.
 *
 * @param hidden whether the answers above leave nothing to ask
 * @param asked as addresses write it: a rolling name, an interval, the chosen value
 * @param resolved ISO 8601 interval, {@code ..} for an open end; or the chosen value
 * @param words the same with month names
 * @param problem what is wrong with it
 */
public record AnswerView(
        String name, boolean hidden, String asked, String resolved, String words, Optional<String> problem) {

    public static AnswerView of(ResolvedPrompt prompt, Report report, List<Problem> found) {
        String at = "/answers/" + prompt.name();
        return new AnswerView(
                prompt.name(),
                prompt.hidden(),
                prompt.asked(),
                prompt.resolved(),
                prompt.inWords(ULocale.forLanguageTag(report.locale())),
                found.stream()
                        .filter(problem -> problem.pointer().equals(at))
                        .map(Problem::message)
                        .findFirst());
    }
}
