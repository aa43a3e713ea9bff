package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.edit.part.EditScope;

/**
 * The filters of a report and those of the block that is worked on, in two lists.
 *
 * @param report whose filters they are
 * @param block the block that is worked on
 */
record ReportFilters(Report report, ReportBlock block) {

    List<ReportFilter> own() {
        return block.ownFilters();
    }

    /** Those of the report, then those of the block, each with its parts, outermost first. */
    List<ReportFilter> all() {
        return Stream.concat(report.filters().stream(), own().stream())
                .flatMap(ReportFilter::withParts)
                .toList();
    }

    ReportFilter find(String id) {
        return EditScope.part(all(), ReportFilter::id, id);
    }

    boolean isOwn(String id) {
        return own().stream()
                .flatMap(ReportFilter::withParts)
                .anyMatch(filter -> filter.id().equals(id));
    }

    /** Whether a filter stands by itself, not as a part of another. */
    boolean isTop(String id) {
        return Stream.concat(report.filters().stream(), own().stream())
                .anyMatch(filter -> filter.id().equals(id));
    }

    /** The report with a filter put into other words; into none, to take it out. */
    Report within(String id, Function<ReportFilter, List<ReportFilter>> change) {
        find(id);
        return inListOf(id, filters -> FilterParts.within(filters, id, change));
    }

    /** The report with the list changed in which a filter stands. */
    private Report inListOf(String id, UnaryOperator<List<ReportFilter>> change) {
        return isOwn(id) ? withOwn(change.apply(own())) : report.withFilters(change.apply(report.filters()));
    }

    /** The report with other filters of its block. */
    Report withOwn(List<ReportFilter> filters) {
        Optional<List<ReportFilter>> given = filters.isEmpty() ? Optional.empty() : Optional.of(filters);
        return EditScope.replaced(report, FilterParts.withFilters(block, given));
    }
}
