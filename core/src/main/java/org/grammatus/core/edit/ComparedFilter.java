package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.FilterComparison.Operands;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.edit.part.EditScope;

/** What the field of a condition is compared with, and how. */
final class ComparedFilter {

    private final ReportFilter.Condition condition;
    private final DatasetModel dataset;
    private final List<ReportPrompt> prompts;

    private ComparedFilter(ReportFilter.Condition condition, DatasetModel dataset, List<ReportPrompt> prompts) {
        this.condition = condition;
        this.dataset = dataset;
        this.prompts = prompts;
    }

    /** @throws org.grammatus.core.problem.ProblemException if the filter compares no field */
    static ComparedFilter of(ReportFilter filter, DatasetModel dataset, List<ReportPrompt> prompts) {
        return filter instanceof ReportFilter.Condition condition
                ? new ComparedFilter(condition, dataset, prompts)
                : EditScope.refused("\"" + filter.id() + "\" compares no field; choose a filter over a field");
    }

    /** The fields that a condition's own can be compared with. */
    static List<String> others(ReportFilter.Condition condition, DatasetModel dataset) {
        return dataset.rowNames().stream()
                .filter(id -> !id.equals(condition.field()) && isAlike(condition.field(), id, dataset))
                .toList();
    }

    private static boolean isAlike(String field, String other, DatasetModel dataset) {
        return dataset.typeOf(field)
                .flatMap(own -> dataset.typeOf(other).map(there -> own.kind().isComparableWith(there.kind())))
                .orElse(false);
    }

    /** The same field, compared in another way; what it is compared with stays where it fits. */
    ReportFilter.Condition by(FilterComparison comparison) {
        boolean fits = dataset.typeOf(condition.field())
                .map(type -> FilterComparisons.of(type.kind()).contains(comparison))
                .orElse(true);
        if (!fits) {
            return EditScope.refused("\"" + condition.field() + "\" cannot be compared in that way");
        }
        // A part of a text is sought whatever its case, unless the author chooses otherwise later.
        ReportFilter.Condition changed = condition
                .withComparison(comparison)
                .withIgnoreCase(
                        comparison.seeksText() && !condition.comparison().seeksText()
                                ? Optional.of(true)
                                : condition.ignoreCase().filter(on -> comparison.seeksText()));
        boolean isAsked = condition
                .prompt()
                .flatMap(name -> prompts.stream()
                        .filter(prompt -> prompt.name().equals(name))
                        .findFirst())
                .filter(prompt -> comparison.answeredBy().contains(prompt.type()))
                .isPresent();
        boolean isOther = condition.other().isPresent() && comparison.takesField();
        return isAsked || isOther
                ? changed
                : changed.withPrompt(Optional.empty())
                        .withOther(Optional.empty())
                        .withValues(values(comparison.operands()));
    }

    /** The values that there are, as many as are taken; none where some are to be written. */
    private Optional<List<String>> values(Operands operands) {
        List<String> values = condition.values().orElse(List.of());
        List<String> taken = values.subList(0, Math.min(values.size(), operands.most()));
        boolean isWhole = !taken.isEmpty() && taken.size() >= operands.least();
        return isWhole ? Optional.of(List.copyOf(taken)) : Optional.empty();
    }

    /** The same field, compared with another one; with values that are to be written where none is given. */
    ReportFilter.Condition with(Optional<String> field) {
        if (field.isEmpty()) {
            return condition
                    .withPrompt(Optional.empty())
                    .withOther(Optional.empty())
                    .withValues(values(condition.comparison().operands()));
        }
        if (!condition.comparison().takesField()) {
            return EditScope.refused("this comparison takes no other field; choose another comparison first");
        }
        if (!others(condition, dataset).contains(field.get())) {
            return EditScope.refused("\"" + condition.field() + "\" cannot be compared with \"" + field.get() + "\"");
        }
        return condition.withPrompt(Optional.empty()).withOther(field).withValues(Optional.empty());
    }
}
