package org.grammatus.core.edit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.grammatus.core.choice.LimitEnd;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.FilterComparison;
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
import org.grammatus.core.plan.planner.BuiltForm;
import org.grammatus.core.plan.planner.FilterCondition;
import org.grammatus.core.plan.planner.FilterScope;
import org.grammatus.core.value.Kind;

/** Edits of filters, of the report or of the block that is worked on, and of their parts. */
final class FilterEdits {

    private static final int FIRST_COUNT = 10;
    private static final String ALL_ROWS = "TRUE";

    private static final Map<FilterComparison, FilterComparison> OPPOSITE = Map.of(
            FilterComparison.IS, FilterComparison.IS_NOT,
            FilterComparison.IS_NOT, FilterComparison.IS,
            FilterComparison.CONTAINS, FilterComparison.DOES_NOT_CONTAIN,
            FilterComparison.DOES_NOT_CONTAIN, FilterComparison.CONTAINS,
            FilterComparison.BLANK, FilterComparison.NOT_BLANK,
            FilterComparison.NOT_BLANK, FilterComparison.BLANK);

    private final Report report;
    private final EditScope scope;
    private final ReportFilters filters;
    private final PartIds ids;

    private FilterEdits(Report report, EditScope scope) {
        this.report = report;
        this.scope = scope;
        this.filters = new ReportFilters(report, scope.worked(report));
        this.ids = new PartIds(report);
    }

    static Report apply(Report report, FilterEdit edit, EditScope scope) {
        FilterEdits edits = new FilterEdits(report, scope);
        ReportFilters filters = edits.filters;
        return switch (edit) {
            case FilterEdit.AddFilter add -> edits.added(add);
            case FilterEdit.MakeFilter make -> edits.made(make.kind(), make.within());
            case FilterEdit.RemoveFilter remove -> filters.within(remove.filter(), filter -> List.of());
            case FilterEdit.CopyFilter copy ->
                filters.within(copy.filter(), filter -> List.of(filter, edits.copyOf(filter)));
            case FilterEdit.MoveFilter move -> FilterMoves.moved(filters, move);
            case FilterEdit.GroupFilter group -> edits.grouped(group.filter(), kind(group.of()));
            case FilterEdit.UngroupFilter ungroup ->
                filters.within(
                        ungroup.filter(),
                        filter -> filter instanceof ReportFilter.Several several
                                ? several.filters().stream()
                                        .map(part -> several.blocks().isPresent()
                                                ? FilterParts.reaching(part, several.blocks())
                                                : part)
                                        .toList()
                                : EditScope.refused("\"" + filter.id() + "\" is no group of filters"));
            case FilterEdit.NegateFilter negate -> edits.negated(filters.find(negate.filter()));
            case FilterEdit.TypeFilter type ->
                filters.within(type.filter(), filter -> List.of(typed(filter, edits.filterScope())));
            case FilterEdit.BuildFilter build -> filters.within(build.filter(), filter -> List.of(edits.built(filter)));
            case FilterEdit.ReachWithFilter reach -> FilterMoves.reaching(filters, reach);
            case FilterEdit.FilterElsewhere there ->
                filters.within(there.filter(), filter -> List.of(edits.elsewhere(filter, there)));
        };
    }

    private FilterScope filterScope() {
        return new FilterScope(scope.dataset(report), report.prompts(), scope.datasets());
    }

    private Report added(FilterEdit.AddFilter add) {
        Proposals.Subject field = EditScope.field(datasetOf(add.within()), add.field());
        if (add.prompt().filter(prompt -> !asksFor(prompt, field)).isPresent()) {
            return EditScope.refused("what is asked for is no value of \"" + field.label() + "\"");
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
                        .comparison(FilterComparison.NOT_BLANK)
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

    private Report made(FilterEdit.Made kind, Optional<String> within) {
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

    /** Rows can be the first of all that the other filters keep in one way only: a copy of such a filter is switched off. */
    private ReportFilter copyOf(ReportFilter filter) {
        ReportFilter copy = FilterParts.renamed(filter, ids::free);
        return copy instanceof ReportFilter.Top ? FilterParts.switched(copy, false) : copy;
    }

    private static FilterKind kind(FilterEdit.Group of) {
        return switch (of) {
            case ALL -> FilterKind.ALL;
            case ANY -> FilterKind.ANY;
            case NONE -> FilterKind.NONE;
        };
    }

    private Report grouped(String id, FilterKind kind) {
        return filters.within(
                id,
                filter -> filter instanceof ReportFilter.Top
                        ? EditScope.refused("a filter that keeps the first rows is no part of another")
                        : List.of(new ReportFilter.Several(
                                ids.free("f-" + kind.name()),
                                kind,
                                List.of(FilterParts.reaching(filter, Optional.empty())),
                                filter.blocks(),
                                Optional.empty())));
    }

    private Report negated(ReportFilter found) {
        return switch (found) {
            case ReportFilter.Condition condition
            when OPPOSITE.containsKey(condition.comparison()) ->
                replaced(condition.withComparison(OPPOSITE.get(condition.comparison())));
            case ReportFilter.Several several
            when several.kind() == FilterKind.ANY -> replaced(several.withKind(FilterKind.NONE));
            case ReportFilter.Several several
            when several.kind() == FilterKind.NONE -> replaced(several.withKind(FilterKind.ANY));
            case RelatedFilter related ->
                replaced(related.withKind(related.kind() == FilterKind.HAS ? FilterKind.HAS_NONE : FilterKind.HAS));
            case ReportFilter.Top top ->
                replaced(top.withEnd(top.end() == LimitEnd.SMALLEST ? LimitEnd.LARGEST : LimitEnd.SMALLEST));
            case ReportFilter.Typed typed -> replaced(typed.withWhere("NOT (" + typed.where() + ")"));
            default -> grouped(found.id(), FilterKind.NONE);
        };
    }

    private Report replaced(ReportFilter filter) {
        return filters.within(filter.id(), before -> List.of(filter));
    }

    private static ReportFilter typed(ReportFilter filter, FilterScope scope) {
        return new ReportFilter.Typed(filter.id(), FilterCondition.text(filter, scope), filter.blocks(), filter.off());
    }

    private ReportFilter built(ReportFilter filter) {
        return filter instanceof ReportFilter.Typed typed
                ? BuiltForm.of(typed, filterScope(), () -> ids.free("f-" + typed.id()))
                        .map(built -> FilterParts.switched(FilterParts.reaching(built, typed.blocks()), !typed.isOff()))
                        .orElseGet(() -> EditScope.refused("no built filter means the same as this condition"))
                : EditScope.refused("\"" + filter.id() + "\" is built already");
    }

    /** What a filter compares its own field with must fit the other one, too. */
    private void requireAlike(ReportFilter filter, Proposals.Subject there) {
        FilterParts.field(filter)
                .flatMap(scope.datasets().main()::typeOf)
                .filter(own -> !own.kind().isComparableWith(there.type().kind()))
                .ifPresent(own -> EditScope.refused(
                        "\"" + there.label() + "\" is of another kind than what the filter compares"));
    }

    private ReportFilter elsewhere(ReportFilter filter, FilterEdit.FilterElsewhere there) {
        if (there.dataset().equals(report.dataset()) || !report.datasets().contains(there.dataset())) {
            return EditScope.refused("no block is over the other dataset \"" + there.dataset() + "\"");
        }
        there.field()
                .ifPresent(field -> scope.datasets()
                        .byId(there.dataset())
                        .ifPresent(dataset -> requireAlike(filter, EditScope.field(dataset, field))));
        List<ReportFilter.FieldElsewhere> others = filter.also().orElse(List.of()).stream()
                .filter(also -> !also.dataset().equals(there.dataset()))
                .toList();
        List<ReportFilter.FieldElsewhere> also = Parts.appended(
                others,
                there.field().map(field -> new ReportFilter.FieldElsewhere(there.dataset(), field)).stream()
                        .toList());
        return FilterParts.elsewhere(filter, also.isEmpty() ? Optional.empty() : Optional.of(also));
    }
}
