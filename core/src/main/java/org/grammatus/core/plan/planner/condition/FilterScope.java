package org.grammatus.core.plan.planner.condition;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.value.Type;

/**
 * The context of filters: the dataset that they are about, the prompts, and the other datasets that they look into.
 *
 * @param dataset whose rows they keep
 * @param prompts with whose answers they compare
 * @param datasets in which others may look for rows that belong to those
 */
public record FilterScope(DatasetModel dataset, List<ReportPrompt> prompts, ReportDatasets datasets) {

    Type typeOf(String field) {
        return dataset.typeOf(field).orElse(Type.TEXT);
    }

    /** The names that a typed condition may use, each with what people call it. */
    Map<String, String> fieldLabels() {
        return new DatasetNames(dataset, LocalDate.EPOCH).fieldLabels();
    }

    /** What stands for a row of the dataset where rows of another are looked for: the name of its grain. */
    String rowName() {
        return dataset.table(DatasetModel.GRAIN).id();
    }

    /** Whether a condition compares with a day that is asked for. */
    boolean asksForDay(ReportFilter.Condition filter) {
        return asksFor(PromptType.DATE, filter);
    }

    /** Whether a condition compares with any number of values that are asked for. */
    boolean asksForSeveral(ReportFilter.Condition filter) {
        return asksFor(PromptType.CHOICES, filter);
    }

    private boolean asksFor(PromptType type, ReportFilter.Condition filter) {
        return prompts.stream()
                .anyMatch(prompt -> prompt.type() == type
                        && filter.prompt().filter(prompt.name()::equals).isPresent());
    }

    FilterScope over(DatasetModel other) {
        return new FilterScope(other, prompts, datasets);
    }
}
