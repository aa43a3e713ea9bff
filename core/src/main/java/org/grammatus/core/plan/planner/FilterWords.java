package org.grammatus.core.plan.planner;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.LimitEnd;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
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
                (label(condition.field(), dataset) + " " + comparison(condition) + " "
                                + operands(condition, dataset, inputs))
                        .strip();
            case ReportFilter.Several several -> several(several.kind(), several.filters(), dataset, inputs);
            case ReportFilter.Top top ->
                "the " + top.count() + " with the " + (top.end() == LimitEnd.LARGEST ? "largest " : "smallest ")
                        + label(top.field(), dataset);
            case RelatedFilter related -> related(related, inputs);
        };
    }

    private static String several(FilterKind kind, List<ReportFilter> filters, DatasetModel dataset, RunInputs inputs) {
        List<String> parts = filters.stream()
                .filter(part -> !part.isOff())
                .map(part -> part instanceof ReportFilter.Several
                        ? "(" + of(part, dataset, inputs) + ")"
                        : of(part, dataset, inputs))
                .toList();
        return switch (kind) {
            case ANY -> String.join(" or ", parts);
            case NONE -> "neither " + String.join(" nor ", parts);
            default -> String.join(" and ", parts);
        };
    }

    private static String related(RelatedFilter related, RunInputs inputs) {
        Optional<DatasetModel> other = inputs.datasets().byId(related.dataset());
        boolean none = related.kind() == FilterKind.HAS_NONE;
        String rows = other.map(there -> there.table(DatasetModel.GRAIN).noun().other())
                .orElse(related.dataset());
        String counted = related.counted()
                .flatMap(field -> other.map(there -> "different " + label(field, there)))
                .orElse(rows);
        int least = related.least().orElse(1);
        String many = least == 1 && related.counted().isEmpty()
                ? (none ? "no " + rows : "some " + rows)
                : (none ? "fewer than " : "at least ") + least + " " + counted;
        List<ReportFilter> filters = related.filters().orElse(List.of());
        return filters.stream().allMatch(ReportFilter::isOff)
                ? "has " + many
                : "has " + many + " with "
                        + other.map(there -> several(FilterKind.ALL, filters, there, inputs))
                                .orElse("…");
    }

    static String label(String field, DatasetModel dataset) {
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

    private static String operands(ReportFilter.Condition condition, DatasetModel dataset, RunInputs inputs) {
        if (condition.other().isPresent()) {
            return label(condition.other().get(), dataset);
        }
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
