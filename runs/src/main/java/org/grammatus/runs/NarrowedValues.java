package org.grammatus.runs;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.planner.Narrowing;
import org.grammatus.core.plan.planner.PrintedField;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.runs.profile.FieldValues;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;

/**
 * The values of a field to which a reader can narrow a run, among the rows that all other conditions keep: each count says how many rows the choice would keep.
 */
public final class NarrowedValues {

    private final RunResult result;
    private final DatasetReader reader;

    /** @param reader reads what the run did not */
    public NarrowedValues(RunResult result, DatasetReader reader) {
        this.result = result;
        this.reader = reader;
    }

    /**
     * The values of a field of a table.
     *
     * @param block the table's id
     * @param find what they must contain, ignoring case and accents; empty for all
     * @return none where the table is not there or prints no such field
     * @throws org.grammatus.sources.SourceException if they cannot be read
     */
    public Optional<List<FieldValues.Value>> of(String block, String field, String find) {
        return result.results().stream()
                .filter(table -> table.plan().id().equals(block))
                .filter(table -> PrintedField.of(table.plan()).stream()
                        .anyMatch(printed -> printed.id().equals(field)))
                .findFirst()
                .map(table -> of(table, field, find));
    }

    private List<FieldValues.Value> of(BlockResult table, String field, String find) {
        TablePlan plan = table.plan();
        LocalDate today = plan.context().businessDate();
        // What chooses the first rows does so of those that are left in the end. A block may be narrowed by itself and
        // with the report.
        Map<Boolean, List<Typed>> byOwn = plan.filters().stream()
                .collect(Collectors.partitioningBy(
                        filter -> filter.id().equals(Narrowing.idOf(field)),
                        Collectors.mapping(FilterPlan::condition, Collectors.toList())));
        Star star = star(table, field, byOwn.get(true), today);
        int[] rows = KeptRows.meeting(byOwn.get(false), star);
        return FieldValues.of(star, rows, plan.dataset(), field, find, today);
    }

    /** Rows among which are all that the other conditions keep, with the field. */
    private Star star(BlockResult table, String field, List<Typed> own, LocalDate today) {
        TablePlan plan = table.plan();
        Star star = table.grouping().drillDown().star();
        Set<String> needed = new TreeSet<>();
        new DatasetNames(plan.dataset(), today).field(field, true).orElseThrow().noteFields(needed);
        Reading reading = Reading.of(result.plan(), plan.dataset());
        boolean hasRows = star.isComplete() || own.isEmpty();
        if (hasRows && reading.fields().containsAll(needed)) {
            return star;
        }
        Reading wider = reading.without(own).andFields(needed);
        return reader.read(wider, ReadProgress.SILENT).relatedAs(star);
    }
}
