package org.grammatus.runs;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.explain.CountedRows;
import org.grammatus.core.explain.RowsBehind;
import org.grammatus.core.explain.WhyAbsent;
import org.grammatus.core.explain.WhyFigure;
import org.grammatus.core.explain.WhyOrder;
import org.grammatus.core.group.DrillDown;
import org.grammatus.core.group.GroupAddresses;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.rows.DroppedRows;
import org.grammatus.core.value.ScalarText;
import org.grammatus.export.Cells;
import org.grammatus.export.RowsBehindCsv;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;

/** Asks a table of a run why: about groups by their numbers in it. Nothing where there is no such total. */
final class BlockExplanations {

    private final Reading reading;
    private final GroupingStep.Result result;
    private final TableResult grouped;
    private final BandTexts printed;

    /** @param reading what the run read */
    BlockExplanations(BlockResult table, Reading reading) {
        this.reading = reading;
        this.result = table.grouping();
        this.grouped = table.grouped();
        this.printed = new BandTexts(grouped);
    }

    /**
     * Why a total of a group is what it is.
     *
     * @param total the total's id
     */
    Optional<WhyFigure> figure(int node, String total) {
        return total(total).map(index -> WhyFigure.of(result, printed, index, node));
    }

    /**
     * Those of some printed rows of a group that do not count in a total of it.
     *
     * @param total the total's id
     * @param rows numbers of rows at the grain, all of the group
     */
    Optional<List<Integer>> uncounted(int node, String total, List<Integer> rows) {
        return total(total).map(index -> {
            BitSet counted = CountedRows.of(result, index, node);
            return rows.stream().filter(row -> row < 0 || !counted.get(row)).toList();
        });
    }

    private Optional<Integer> total(String id) {
        List<TotalPlan> totals = grouped.plan().totals();
        return IntStream.range(0, totals.size())
                .filter(i -> totals.get(i).id().equals(id))
                .boxed()
                .findFirst();
    }

    /** Why a group stands where it stands; the report itself stands in no order. */
    Optional<WhyOrder> order(int node) {
        return node == GroupTree.ROOT ? Optional.empty() : Optional.of(WhyOrder.of(result, printed, node));
    }

    /** Rows of the table, and what they are the rows of. */
    record Scoped(int[] rows, List<String> scope) {}

    /** The rows behind a group. */
    Scoped behind(int node) {
        return new Scoped(
                result.drillDown().rows(node, grouped.tree().depthOf(node)), WhyFigure.path(result, printed, node));
    }

    /** The rows that a condition drops. */
    Optional<Scoped> dropped(String filter) {
        DrillDown rows = result.drillDown();
        return DroppedRows.of(grouped.plan(), rows.star(), rows.kept(), filter)
                .map(numbers -> new Scoped(
                        numbers,
                        grouped.plan().filters().stream()
                                .filter(one -> one.id().equals(filter))
                                .map(FilterPlan::words)
                                .toList()));
    }

    /**
     * Some of some rows.
     *
     * @param fields ids of the fields and calculated fields to show; the usual ones unless given
     * @param reader reads those that the report did not
     * @throws org.grammatus.sources.SourceException if they cannot be read
     */
    RowsBehind rows(Scoped of, int offset, int limit, Optional<List<String>> fields, DatasetReader reader) {
        RowsBehind.Some some = RowsBehind.Some.of(of.rows, offset, limit);
        WiderRows wider = WiderRows.of(result, reading, some.rows(), fields, reader);
        return RowsBehind.of(result, of.scope, some, wider.fields(), wider.changed());
    }

    /**
     * Rows as a file.
     *
     * @param fields ids of the fields and calculated fields to show; the usual ones unless given
     * @param reader reads those that the report did not
     */
    Explanations.RowsFile rowsFile(Scoped of, Optional<List<String>> fields, DatasetReader reader, Cells cells) {
        return (out, wanted) -> RowsBehindCsv.write(
                WiderRows.of(result, reading, of.rows, fields, reader).fields(), of.rows, cells, out, wanted);
    }

    /**
     * Why rows of a value are not in the table.
     *
     * @param field id of a field or calculated field
     * @throws IllegalArgumentException if the text is no value of it
     * @throws org.grammatus.sources.SourceException if what the report did not read cannot be read
     */
    Optional<WhyAbsent> absent(String field, String value, DatasetReader reader) {
        DatasetNames names = new DatasetNames(
                grouped.plan().dataset(), grouped.plan().context().businessDate());
        return names.field(field, true).map(typed -> {
            DrillDown rows = result.drillDown();
            Set<String> needed = new TreeSet<>();
            typed.noteFields(needed);
            Star star = reading.fields().containsAll(needed)
                    ? rows.star()
                    : reader.read(reading.andFields(needed), ReadProgress.SILENT)
                            .relatedAs(rows.star());
            return WhyAbsent.of(grouped.plan(), star, rows.kept(), typed, ScalarText.parse(value, typed.type()));
        });
    }

    /** The groups that a group lies in, outermost first, and itself. */
    List<Explanations.PathStep> path(int node) {
        List<Explanations.PathStep> path = new ArrayList<>();
        for (int n = node; n != GroupTree.ROOT; n = grouped.tree().parentOf(n)) {
            path.addFirst(step(n));
        }
        return path;
    }

    private Explanations.PathStep step(int node) {
        int depth = grouped.tree().depthOf(node);
        LevelPlan level = grouped.plan().levels().get(depth - 1);
        return new Explanations.PathStep(
                level.id(),
                level.name(),
                printed.label(node),
                GroupAddresses.keyText(grouped.groups().key(node)),
                grouped.groups().isOthers(node));
    }
}
