package org.grammatus.core.plan.planner;

import java.util.List;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.plan.RunInputs;
import org.grammatus.core.prompt.ResolvedPrompt;

/** What filters keep, as people say it: "Status is not cancelled", "Ordered in the period “Order date”". */
final class FilterWords {

    private FilterWords() {}

    static String of(ReportFilter filter, DatasetModel dataset, RunInputs inputs) {
        return switch (filter) {
            case ReportFilter.Typed typed -> typed.where();
            case ReportFilter.OfPeriod period ->
                label(period.field(), dataset) + " in the period “" + prompt(period.prompt(), inputs) + "”";
            case ReportFilter.Condition condition ->
                (label(condition.field(), dataset) + " " + comparison(condition) + " " + operands(condition, inputs))
                        .strip();
        };
    }

    private static String label(String field, DatasetModel dataset) {
        return dataset.fields().containsKey(field)
                ? dataset.field(field).label()
                : dataset.named().containsKey(field) ? dataset.named(field).label() : field;
    }

    private static String prompt(String name, RunInputs inputs) {
        return inputs.prompts().stream()
                .filter(prompt -> prompt.name().equals(name))
                .map(ResolvedPrompt::label)
                .findFirst()
                .orElse(name);
    }

    private static String comparison(ReportFilter.Condition condition) {
        return switch (condition.comparison()) {
            case IS -> "is";
            case IS_NOT -> "is not";
            case LESS -> "is less than";
            case AT_MOST -> "is at most";
            case MORE -> "is more than";
            case AT_LEAST -> "is at least";
            case BETWEEN -> "is between";
            case CONTAINS -> "contains";
            case DOES_NOT_CONTAIN -> "does not contain";
            case STARTS_WITH -> "starts with";
            case BLANK -> "is blank";
            case NOT_BLANK -> "is not blank";
        };
    }

    private static String operands(ReportFilter.Condition condition, RunInputs inputs) {
        if (condition.prompt().isPresent()) {
            return "“" + prompt(condition.prompt().get(), inputs) + "”";
        }
        List<String> values = condition.values().orElse(List.of());
        return switch (condition.comparison()) {
            case BETWEEN -> String.join(" and ", values);
            case IS_NOT -> String.join(" nor ", values);
            default -> String.join(" or ", values);
        };
    }
}
