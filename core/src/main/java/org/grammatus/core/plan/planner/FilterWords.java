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
import org.grammatus.core.words.Words;

/** What filters keep, as people say it: "Status is not cancelled", "Ordered in the period “Order date”". */
final class FilterWords {

    private FilterWords() {}

    static String of(ReportFilter filter, DatasetModel dataset, RunInputs inputs) {
        return switch (filter) {
            case ReportFilter.Typed typed -> typed.where();
            case ReportFilter.OfPeriod period ->
                words(inputs).filter("period", label(period.field(), dataset), prompt(period.prompt(), inputs));
            case ReportFilter.Condition condition ->
                words(inputs)
                        .filter(
                                comparison(condition),
                                label(condition.field(), dataset),
                                operands(condition, dataset, inputs));
            case ReportFilter.Several several -> several(several.kind(), several.filters(), dataset, inputs);
            case ReportFilter.Top top ->
                words(inputs)
                        .filter(
                                top.end() == LimitEnd.LARGEST ? "largest" : "smallest",
                                Integer.toString(top.count()),
                                label(top.field(), dataset));
            case RelatedFilter related -> related(related, inputs);
        };
    }

    private static String several(FilterKind kind, List<ReportFilter> filters, DatasetModel dataset, RunInputs inputs) {
        List<String> parts = filters.stream()
                .filter(ReportFilter::restricts)
                .map(part -> part instanceof ReportFilter.Several
                        ? "(" + of(part, dataset, inputs) + ")"
                        : of(part, dataset, inputs))
                .toList();
        return switch (kind) {
            case ANY -> joined("or", parts, inputs);
            case NONE -> words(inputs).filter("neither", joined("nor", parts, inputs));
            default -> joined("and", parts, inputs);
        };
    }

    private static String related(RelatedFilter related, RunInputs inputs) {
        Words words = words(inputs);
        Optional<DatasetModel> other = inputs.datasets().byId(related.dataset());
        boolean none = related.kind() == FilterKind.HAS_NONE;
        String rows = other.map(there -> there.table(DatasetModel.GRAIN).noun().other())
                .orElse(related.dataset());
        String counted = related.counted()
                .flatMap(field -> other.map(there -> words.filter("different", label(field, there))))
                .orElse(rows);
        int least = related.least().orElse(1);
        String many = least == 1 && related.counted().isEmpty()
                ? words.filter(none ? "has-none" : "has-some", rows)
                : words.filter(none ? "has-fewer" : "has-least", Integer.toString(least), counted);
        List<ReportFilter> filters = related.filters().orElse(List.of());
        return filters.stream().noneMatch(ReportFilter::restricts)
                ? many
                : words.filter(
                        "with",
                        many,
                        other.map(there -> several(FilterKind.ALL, filters, there, inputs))
                                .orElse("…"));
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

    /** The key by which the catalogue has it. */
    private static String comparison(ReportFilter.Condition condition) {
        return switch (condition.comparison()) {
            case IS -> "is";
            case IS_NOT -> "is-not";
            case LESS -> "less";
            case AT_MOST -> "at-most";
            case MORE -> "more";
            case AT_LEAST -> "at-least";
            case BETWEEN -> "between";
            case CONTAINS -> "contains";
            case DOES_NOT_CONTAIN -> "does-not-contain";
            case STARTS_WITH -> "starts-with";
            case BLANK -> "blank";
            case NOT_BLANK -> "not-blank";
        };
    }

    private static String operands(ReportFilter.Condition condition, DatasetModel dataset, RunInputs inputs) {
        if (condition.other().isPresent()) {
            return label(condition.other().get(), dataset);
        }
        if (condition.prompt().isPresent()) {
            return words(inputs).filter("asked", prompt(condition.prompt().get(), inputs));
        }
        List<String> values = condition.values().orElse(List.of());
        return switch (condition.comparison()) {
            case BETWEEN -> joined("and", values, inputs);
            case IS_NOT -> joined("nor", values, inputs);
            default -> joined("or", values, inputs);
        };
    }

    private static String joined(String by, List<String> parts, RunInputs inputs) {
        return parts.stream()
                .reduce((before, next) -> words(inputs).filter(by, before, next))
                .orElse("");
    }

    private static Words words(RunInputs inputs) {
        return Words.of(inputs.locale());
    }
}
