package org.grammatus.runs;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import org.grammatus.core.address.FigureAddress;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.explain.RowsBehind;
import org.grammatus.core.explain.WhyAbsent;
import org.grammatus.core.explain.WhyFigure;
import org.grammatus.core.explain.WhyOrder;
import org.grammatus.export.Cells;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Reading;

/** Asks a run why: about groups and figures by their addresses. Nothing where there is no such group or figure. */
public final class Explanations {

    private final RunResult result;

    public Explanations(RunResult result) {
        this.result = result;
    }

    /** Asks the table in which a group stands, by the group's number there. */
    private <T> Optional<T> at(GroupAddress group, BiFunction<BlockExplanations, Integer, Optional<T>> ask) {
        return result.at(group).flatMap(at -> ask.apply(explanations(at.table()), at.node()));
    }

    /** Why a total of a group is what it is. */
    public Optional<WhyFigure> figure(FigureAddress figure) {
        return at(figure.group(), (table, node) -> table.figure(node, figure.part()));
    }

    /**
     * Those of some printed rows of a group that do not count in a total of it.
     *
     * @param rows numbers of rows at the grain, all of the group
     */
    public Optional<List<Integer>> uncounted(FigureAddress figure, List<Integer> rows) {
        return at(figure.group(), (table, node) -> table.uncounted(node, figure.part(), rows));
    }

    /** Why a group stands where it stands; a whole table stands in no order. */
    public Optional<WhyOrder> order(GroupAddress group) {
        return at(group, BlockExplanations::order);
    }

    /**
     * Some of the rows behind a group.
     *
     * @param fields ids of the fields and calculated fields to show; the usual ones unless given
     * @param reader reads those that the report did not
     * @throws org.grammatus.sources.SourceException if they cannot be read
     */
    public Optional<RowsBehind> rows(
            GroupAddress group, int offset, int limit, Optional<List<String>> fields, DatasetReader reader) {
        return at(group, (table, node) -> Optional.of(table.rows(table.behind(node), offset, limit, fields, reader)));
    }

    /** Writes all the rows behind a group as CSV (RFC 4180). */
    public interface RowsFile {
        /**
         * Writes them; the stream stays open.
         *
         * @param wanted whether to go on; asked now and then
         * @throws java.util.concurrent.CancellationException if not
         */
        void write(OutputStream out, BooleanSupplier wanted) throws IOException;
    }

    /**
     * All the rows behind a group as a file.
     *
     * @param fields ids of the fields and calculated fields to show; the usual ones unless given
     * @param reader reads those that the report did not
     */
    public Optional<RowsFile> rowsFile(
            GroupAddress group, Optional<List<String>> fields, DatasetReader reader, Cells cells) {
        return at(group, (table, node) -> Optional.of(table.rowsFile(table.behind(node), fields, reader, cells)));
    }

    /** Some of the rows that a condition of a table drops, likewise; nothing where no table has it. */
    public Optional<RowsBehind> dropped(
            String filter, int offset, int limit, Optional<List<String>> fields, DatasetReader reader) {
        return having(
                filter, table -> table.dropped(filter).map(rows -> table.rows(rows, offset, limit, fields, reader)));
    }

    /** All of them as a file. */
    public Optional<RowsFile> droppedFile(
            String filter, Optional<List<String>> fields, DatasetReader reader, Cells cells) {
        return having(filter, table -> table.dropped(filter).map(rows -> table.rowsFile(rows, fields, reader, cells)));
    }

    private <T> Optional<T> having(String filter, Function<BlockExplanations, Optional<T>> ask) {
        return result.results().stream()
                .filter(table -> table.grouped().plan().filters().stream()
                        .anyMatch(one -> one.id().equals(filter)))
                .findFirst()
                .flatMap(table -> ask.apply(explanations(table)));
    }

    /**
     * Why rows of a value are not in a block.
     *
     * @param block its id
     * @param field id of a field or calculated field of its dataset
     * @throws IllegalArgumentException if the text is no value of the field
     */
    public Optional<WhyAbsent> absent(String block, String field, String value, DatasetReader reader) {
        return result.results().stream()
                .filter(table -> table.grouped().plan().id().equals(block))
                .findFirst()
                .flatMap(table -> explanations(table).absent(field, value, reader));
    }

    private BlockExplanations explanations(BlockResult table) {
        return new BlockExplanations(
                table, Reading.of(result.plan(), table.grouped().plan().dataset()));
    }

    /** Several figures together. */
    public SelectionSummary together(List<FigureAddress> figures) {
        return SelectionSummary.of(result, figures);
    }

    /**
     * A group on the way to another.
     *
     * @param level its level's id
     * @param name its level's name
     * @param key as addresses write it; none for the group of blank keys
     * @param others whether it stands for the groups that are not shown by themselves
     */
    public record PathStep(String level, String name, String label, Optional<String> key, boolean others) {}

    /** The groups that a group lies in, outermost first, and itself. */
    public Optional<List<PathStep>> path(GroupAddress group) {
        return at(group, (table, node) -> Optional.of(table.path(node)));
    }
}
