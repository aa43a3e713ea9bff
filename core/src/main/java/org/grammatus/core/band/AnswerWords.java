package org.grammatus.core.band;

import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.TablePlan;

/** Answers as people read them: days with the names of their months, a chosen key by what it is called. */
public final class AnswerWords {

    private AnswerWords() {}

    /**
     * An answer to one of a plan's prompts.
     *
     * @param prompt its index
     */
    public static String of(TableResult grouped, int prompt) {
        TablePlan plan = grouped.plan();
        return grouped.answers()
                .get(prompt)
                .map(called ->
                        new ValueFormat(called.name().type(), called.format(), plan.locale()).format(called.name()))
                .orElseGet(() -> plan.prompts().get(prompt).inWords(plan.locale()));
    }
}
