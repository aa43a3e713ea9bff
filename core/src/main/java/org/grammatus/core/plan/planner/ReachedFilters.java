package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportFilter;

/**
 * Which filters reach a block: its own, those of the report that name it, and those that name none, where the block is over the report's
 * dataset, one built on it, or one in which they name a field. Two datasets' "status" need not mean the same, so that equal names alone
 * are not enough.
 *
 * @param block its id
 * @param filters that reach it, the report's first, each as the block's dataset has its field
 * @param beyond indexes of those among them that do not reach the whole report
 * @param missed the report's own that do not reach it, although they name no blocks
 */
record ReachedFilters(String block, List<Reached> filters, List<Integer> beyond, List<ReportFilter> missed) {

    /**
     * A filter that reaches the block.
     *
     * @param pointer where it stands in the definition
     */
    record Reached(String pointer, ReportFilter filter) {}

    static ReachedFilters of(Report report, int index, DatasetModel dataset, DatasetModel main) {
        ReportBlock block = report.blocks().get(index);
        List<Reached> reached = new ArrayList<>();
        List<Integer> beyond = new ArrayList<>();
        List<ReportFilter> missed = new ArrayList<>();
        boolean same = dataset.includes(main);
        for (int i = 0; i < report.filters().size(); i++) {
            ReportFilter filter = report.filters().get(i);
            Optional<ReportFilter> there = same ? Optional.of(filter) : filter.elsewhere(dataset.id());
            boolean named = filter.blocks().isPresent();
            if (named && filter.blocks().get().contains(block.id())) {
                beyond.add(reached.size());
                reached.add(new Reached("/filters/" + i, there.orElse(filter)));
            } else if (!named && there.isPresent()) {
                reached.add(new Reached("/filters/" + i, there.get()));
            } else if (!named && !filter.isOff()) {
                missed.add(filter);
            }
        }
        for (int i = 0; i < block.ownFilters().size(); i++) {
            beyond.add(reached.size());
            reached.add(new Reached(
                    "/blocks/" + index + "/filters/" + i, block.ownFilters().get(i)));
        }
        return new ReachedFilters(block.id(), List.copyOf(reached), List.copyOf(beyond), List.copyOf(missed));
    }

    /** The filters alone. */
    List<ReportFilter> all() {
        return filters.stream().map(Reached::filter).toList();
    }
}
