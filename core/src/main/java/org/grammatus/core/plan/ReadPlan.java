package org.grammatus.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.dataset.DatasetModel;

/**
 * What a block reads: the rows of a dataset that it needs, and how they are restricted.
 *
 * @param filters the conditions that are left once unanswered prompts are removed, in their order
 * @param fields ids of the fields that must be read
 */
public record ReadPlan(DatasetModel dataset, List<FilterPlan> filters, Set<String> fields) {

    /** The same with other conditions over the fields that are read anyway. */
    ReadPlan withFilters(List<FilterPlan> others) {
        return new ReadPlan(dataset, others, fields);
    }

    /** The same with one condition more; what the condition needs is read, too. */
    ReadPlan narrowed(FilterPlan by) {
        List<FilterPlan> all = new ArrayList<>(filters);
        all.add(by);
        Set<String> read = new TreeSet<>(fields);
        by.condition().noteFields(read);
        return new ReadPlan(dataset, List.copyOf(all), fields.containsAll(read) ? fields : Set.copyOf(read));
    }
}
