package org.grammatus.server.library;

import com.ibm.icu.util.ULocale;
import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.ResolvedPrompt;

/**
 * What an answer stands for.
 *
 * @param asked as addresses write it: a rolling name, an interval, the chosen value
 * @param resolved ISO 8601 interval, {@code ..} for an open end; or the chosen value
 * @param words the same with month names
 */
public record AnswerView(String name, String asked, String resolved, String words) {

    public static AnswerView of(ResolvedPrompt prompt, Report report) {
        return new AnswerView(
                prompt.name(),
                prompt.asked(),
                prompt.resolved(),
                prompt.inWords(ULocale.forLanguageTag(report.locale())));
    }
}
