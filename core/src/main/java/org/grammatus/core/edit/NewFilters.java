package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.grammatus.core.choice.LimitEnd;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.RelatedFilterBuilder;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportFilterConditionBuilder;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.edit.FilterEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.value.Kind;

/** Filters that are added: of a field, or of one of the other kinds; to the report, to a block of its own dataset, or to a group. */
final class NewFilters {

    private static final int FIRST_COUNT = 10;
    private static final String ALL_ROWS = "TRUE";

    private final Report report;
    private final EditScope scope;
    private final ReportFilters filters;
    private final PartIds ids;

    NewFilters(Report report, EditScope scope, ReportFilters filters, PartIds ids) {
        this.report = report;
        this.scope = scope;
        this.filters = filters;
        this.ids = ids;
    }

    /** A filter of a field, with the comparison that is usual for it or with the answer to a prompt. */
    Report added(FilterEdit.AddFilter add) {
        Proposals.Subject field = EditScope.field(datasetOf(add.within()), add.field());
        if (add.prompt().filter(prompt -> !asksFor(prompt, field)).isPresent()) {
            return EditScope.refused("the prompt does not ask for a value of \"" + field.label() + "\"");
        }
        if (field.measure()) {
            return EditScope.refused("\"" + field.label() + "\" is a measure; rows are filtered by what they have");
        }
        String id = ids.free("f-" + field.id());
        ReportFilter filter = add.prompt()
                .map(name -> EditScope.part(report.prompts(), ReportPrompt::name, name))
                .map(prompt -> PromptEdits.reading(id, field.id(), prompt.name(), prompt.type()))
                .orElseGet(() -> ReportFilterConditionBuilder.builder()
                        .id(id)
                        .field(field.id())
                        .comparison(FilterComparisons.usual(field))
                        .build());
        return placed(filter, add.within());
    }

    /** Whether the answer to a prompt is a value of a field: one of those that it offers, or of the kind that it asks for. */
    private boolean asksFor(String name, Proposals.Subject field) {
        ReportPrompt prompt = EditScope.part(report.prompts(), ReportPrompt::name, name);
        Kind kind = field.type().kind();
        return prompt instanceof ReportPrompt.Choice choice
                ? scope.datasets()
                        .of(choice)
                        .flatMap(dataset -> choice.field().flatMap(dataset::typeOf))
                        .map(offered -> offered.kind().isComparableWith(kind))
                        .orElse(kind == Kind.TEXT)
                : PromptTypes.of(kind).contains(prompt.type());
    }

    /** The dataset whose rows a part of a filter is about: that in which rows are looked for, or that of the block. */
    private DatasetModel datasetOf(Optional<String> within) {
        return within.map(filters::find)
                .filter(RelatedFilter.class::isInstance)
                .flatMap(related -> scope.datasets().byId(((RelatedFilter) related).dataset()))
                .orElseGet(() -> scope.dataset(report));
    }

    /** A filter as a part of a group, or after all others. */
    private Report placed(ReportFilter filter, Optional<String> within) {
        return within.map(group -> filters.within(group, found -> List.of(with(found, filter))))
                .orElseGet(() -> appended(filters, filter));
    }

    private static ReportFilter with(ReportFilter group, ReportFilter part) {
        return switch (group) {
            case ReportFilter.Several several -> several.of(Parts.appended(several.filters(), List.of(part)));
            case RelatedFilter related
            when part instanceof RelatedFilter ->
                EditScope.refused("rows of a dataset are looked for of the report's own rows alone");
            case RelatedFilter related ->
                related.withFilters(Optional.of(Parts.appended(related.filters().orElse(List.of()), List.of(part))));
            default -> EditScope.refused("\"" + group.id() + "\" is no group of filters");
        };
    }

    /** A filter more: of the report, or of the block that is worked on where that is over a dataset of its own. */
    private static Report appended(ReportFilters filters, ReportFilter filter) {
        Report report = filters.report();
        boolean own = filters.block()
                .dataset()
                .filter(id -> !id.equals(report.dataset()))
                .isPresent();
        return own
                ? filters.withOwn(Parts.appended(filters.own(), List.of(filter)))
                : report.withFilters(Parts.appended(report.filters(), List.of(filter)));
    }

    /** A filter of a kind that begins without a field chosen. */
    Report made(FilterEdit.Made kind, Optional<String> within) {
        DatasetModel dataset = scope.dataset(report);
        return switch (kind) {
            case ANY ->
                placed(
                        new ReportFilter.Several(
                                ids.free("f-any"), FilterKind.ANY, List.of(), Optional.empty(), Optional.empty()),
                        within);
            case EXPRESSION ->
                placed(
                        new ReportFilter.Typed(ids.free("f-expression"), ALL_ROWS, Optional.empty(), Optional.empty()),
                        within);
            case TOP -> {
                String field = usual(dataset, one -> one.role() == Dataset.Role.ADDITIVE)
                        .or(() -> usual(dataset, one -> one.type().isNumber()))
                        .or(() -> usual(dataset, one -> one.type().isTime()))
                        .orElseGet(
                                () -> EditScope.refused("there is no number and no date that rows could be ranked by"));
                ReportFilter top = new ReportFilter.Top(
                        ids.free("f-" + field),
                        field,
                        LimitEnd.LARGEST,
                        FIRST_COUNT,
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty());
                Report rest = FilterMoves.withoutFirstRows(filters);
                yield appended(new ReportFilters(rest, scope.worked(rest)), top);
            }
            case HAS -> {
                String key = usual(dataset, field -> field.role() == Dataset.Role.IDENTIFIER)
                        .orElseGet(() -> dataset.rowNames().getFirst());
                yield placed(
                        RelatedFilterBuilder.builder()
                                .id(ids.free("f-has"))
                                .kind(FilterKind.HAS)
                                .dataset(dataset.id())
                                .keys(List.of(new RelatedFilter.Key(key, key)))
                                .build(),
                        within);
            }
        };
    }

    private static Optional<String> usual(DatasetModel dataset, Predicate<Proposals.Subject> wanted) {
        return dataset.rowNames().stream()
                .filter(id -> wanted.test(Proposals.Subject.of(id, dataset)))
                .findFirst();
    }
}
