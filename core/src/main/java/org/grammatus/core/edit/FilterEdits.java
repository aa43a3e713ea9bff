package org.grammatus.core.edit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.choice.LimitEnd;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.edit.FilterEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.plan.planner.condition.BuiltForm;
import org.grammatus.core.plan.planner.condition.FilterCondition;
import org.grammatus.core.plan.planner.condition.FilterScope;

/** Edits of filters, of the report or of the block that is worked on, and of their parts. */
final class FilterEdits {

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
            case FilterEdit.AddFilter add -> edits.fresh().added(add);
            case FilterEdit.MakeFilter make -> edits.fresh().made(make.kind(), make.within());
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
                filters.within(type.filter(), filter -> List.of(typed(filter, edits.scopeOf(filter))));
            case FilterEdit.BuildFilter build -> filters.within(build.filter(), filter -> List.of(edits.built(filter)));
            case FilterEdit.ReachWithFilter reach -> FilterMoves.reaching(filters, reach, scope);
            case FilterEdit.FilterElsewhere there ->
                filters.within(there.filter(), filter -> List.of(edits.elsewhere(filter, there)));
            case FilterEdit.CompareFilter compare ->
                filters.within(
                        compare.filter(),
                        filter -> List.of(edits.comparing(filter).by(compare.comparison())));
            case FilterEdit.CompareFilterWith with ->
                filters.within(
                        with.filter(), filter -> List.of(edits.comparing(filter).with(with.field())));
            case FilterEdit.JoinFilters join ->
                filters.within(
                        join.filter(),
                        filter -> List.of(
                                filter instanceof ReportFilter.Several several
                                        ? several.withKind(kind(join.of()))
                                        : EditScope.refused("\"" + filter.id() + "\" is no group of filters")));
        };
    }

    private NewFilters fresh() {
        return new NewFilters(report, scope, filters, ids);
    }

    private ComparedFilter comparing(ReportFilter filter) {
        return ComparedFilter.of(filter, datasetOf(filter), report.prompts());
    }

    private FilterScope scopeOf(ReportFilter filter) {
        return new FilterScope(datasetOf(filter), report.prompts(), scope.datasets());
    }

    /** The dataset whose fields a filter names: the report's, unless it is of the block or reaches named blocks alone. */
    private DatasetModel datasetOf(ReportFilter filter) {
        return filters.isOwn(filter.id()) || filter.blocks().isPresent()
                ? scope.dataset(report)
                : scope.datasets().main();
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
                ? BuiltForm.of(typed, scopeOf(typed), () -> ids.free("f-" + typed.id()))
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
