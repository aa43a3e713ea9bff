package org.grammatus.runs;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import org.grammatus.core.explain.RowsBehind;
import org.grammatus.core.explain.WhyFigure;
import org.grammatus.core.explain.WhyOrder;
import org.grammatus.export.Cells;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Reading;

/**
 * Asks a run why: about groups by their places among those of all its tables, the report itself at 0. Nothing where there is no such
 * place.
 */
public final class Explanations {

    private final RunResult result;

    public Explanations(RunResult result) {
        this.result = result;
    }

    /** Asks the table in which a group stands, by the group's place in it. */
    private <T> Optional<T> at(int place, BiFunction<BlockExplanations, Integer, Optional<T>> ask) {
        return result.at(place)
                .flatMap(table -> ask.apply(
                        new BlockExplanations(
                                table,
                                Reading.of(result.plan(), table.grouped().plan().dataset())),
                        place - table.firstPlace()));
    }

    /**
     * Why a total of a group is what it is.
     *
     * @param total the total's id
     */
    public Optional<WhyFigure> figure(int place, String total) {
        return at(place, (table, own) -> table.figure(own, total));
    }

    /**
     * Those of some printed rows of a group that do not count in a total of it.
     *
     * @param total the total's id
     * @param rows numbers of rows at the grain, all of the group
     */
    public Optional<List<Integer>> uncounted(int place, String total, List<Integer> rows) {
        return at(place, (table, own) -> table.uncounted(own, total, rows));
    }

    /** Why a group stands where it stands; a whole table stands in no order. */
    public Optional<WhyOrder> order(int place) {
        return at(place, BlockExplanations::order);
    }

    /**
     * Some of the rows behind a group.
     *
     * @param fields ids of the fields and calculated fields to show; the usual ones unless given
     * @param reader reads those that the report did not
     * @throws org.grammatus.sources.SourceException if they cannot be read
     */
    public Optional<RowsBehind> rows(
            int place, int offset, int limit, Optional<List<String>> fields, DatasetReader reader) {
        return at(place, (table, own) -> table.rows(own, offset, limit, fields, reader));
    }

    /** Writes all the rows behind a group as CSV (RFC 4180). */
    public interface RowsFile {
        void write(OutputStream out) throws IOException;
    }

    /**
     * All the rows behind a group as a file.
     *
     * @param fields ids of the fields and calculated fields to show; the usual ones unless given
     * @param reader reads those that the report did not
     */
    public Optional<RowsFile> rowsFile(int place, Optional<List<String>> fields, DatasetReader reader, Cells cells) {
        return at(place, (table, own) -> table.rowsFile(own, fields, reader, cells));
    }

    /**
     * Several figures together.
     *
     * @param figures each as {@code place:total}, or {@code row:column} with the row's number behind an {@code r}: {@code r12:c-net}
     */
    public SelectionSummary together(List<String> figures) {
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
    public Optional<List<PathStep>> path(int place) {
        return at(place, BlockExplanations::path);
    }
}
