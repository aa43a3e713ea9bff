package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.edit.FilterEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.Parts;

/** Filters that come to stand elsewhere, or to reach something else. */
final class FilterMoves {

    private FilterMoves() {}

    static Report moved(ReportFilters filters, FilterEdit.MoveFilter move) {
        ReportFilter filter = filters.find(move.filter());
        if (move.before().isEmpty()) {
            return last(filters, filter);
        }
        String target = move.before().get();
        filters.find(target);
        boolean inside = filter.withParts().anyMatch(part -> part.id().equals(target));
        boolean top = filters.isTop(target);
        if (inside || (filter instanceof ReportFilter.Top && !top)) {
            // What is inside itself is no place for it, and the first rows are no part of anything.
            return filters.report();
        }
        // A part reaches what the whole reaches.
        ReportFilter placed = top ? filter : FilterParts.reaching(filter, Optional.empty());
        return without(filters, filter).within(target, one -> List.of(placed, one));
    }

    private static Report last(ReportFilters filters, ReportFilter filter) {
        boolean own = filters.isOwn(filter.id());
        ReportFilters rest = without(filters, filter);
        return own
                ? rest.withOwn(Parts.appended(rest.own(), List.of(filter)))
                : rest.report().withFilters(Parts.appended(rest.report().filters(), List.of(filter)));
    }

    private static ReportFilters without(ReportFilters filters, ReportFilter filter) {
        Report rest = filters.within(filter.id(), one -> List.of());
        return new ReportFilters(
                rest,
                EditScope.part(
                        rest.blocks(), block -> block.id(), filters.block().id()));
    }

    static Report reaching(ReportFilters filters, FilterEdit.ReachWithFilter reach, EditScope scope) {
        ReportFilter filter = filters.find(reach.filter());
        ReportFilter plain = FilterParts.reaching(filter, Optional.empty());
        ReportFilters rest = without(filters, filter);
        if (reach.reach() == FilterEdit.Reach.BLOCK) {
            ReportFilter own = FilterParts.elsewhere(
                    FilterParts.reaching(inBlock(filters, filter, scope), Optional.empty()), Optional.empty());
            return rest.withOwn(Parts.appended(rest.own(), List.of(own)));
        }
        ReportFilter placed =
                reach.reach() == FilterEdit.Reach.BLOCKS ? FilterParts.reaching(plain, reach.blocks()) : plain;
        List<ReportFilter> before = rest.report().filters();
        int at = Parts.index(filters.report().filters(), ReportFilter::id, filter.id())
                .orElse(before.size());
        return rest.report().withFilters(Parts.inserted(before, at, List.of(placed)));
    }

    /** A filter as it is about the rows of the block that is worked on, which may be of another dataset than the report's. */
    private static ReportFilter inBlock(ReportFilters filters, ReportFilter filter, EditScope scope) {
        DatasetModel dataset = scope.dataset(filters.report());
        if (filters.isOwn(filter.id()) || dataset.includes(scope.datasets().main())) {
            return filter;
        }
        boolean named = filter.blocks()
                .filter(blocks -> blocks.contains(filters.block().id()))
                .isPresent();
        return filter.elsewhere(dataset.id())
                .or(() -> named ? Optional.of(filter) : Optional.empty())
                .orElseGet(() -> EditScope.refused(
                        "\"" + filter.id() + "\" is about rows of another dataset than the block is"));
    }

    /** Rows can be the first of all that the other filters keep in one way only: the report with those before switched off. */
    static Report withoutFirstRows(ReportFilters filters) {
        Report report = filters.withOwn(off(filters.own()));
        return report.withFilters(off(report.filters()));
    }

    private static List<ReportFilter> off(List<ReportFilter> filters) {
        return filters.stream()
                .map(filter ->
                        filter instanceof ReportFilter.Top && filter.blocks().isEmpty()
                                ? FilterParts.switched(filter, false)
                                : filter)
                .toList();
    }
}
