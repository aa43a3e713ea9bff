package org.grammatus.sources.star;

import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.Source;
import org.grammatus.sources.SourceException;

/**
 * How a join would match, measured before it is made.
 *
 * @param rows rows of the table that points
 * @param without those of them that would point to nothing
 * @param targets rows of the table that is pointed to
 * @param unused those of them that nothing would point to
 * @param repeats rows of that table whose key another row before has too; with any, rows would be repeated
 */
public record JoinTrial(int rows, int without, int targets, int unused, int repeats) {

    /**
     * One side of a join.
     *
     * @param source id of the table's source
     * @param columns that hold the key, in the order of the other side's
     */
    public record Side(Optional<String> source, String table, List<String> columns) {}

    /**
     * Reads both sides' keys and matches them.
     *
     * @throws SourceException if they cannot be read
     */
    public static JoinTrial of(Side from, Side to, Function<Optional<String>, Source> sources, ReadLimits limits) {
        try (OpenSources open = new OpenSources(sources, RunContext.UTC)) {
            KeyColumn pointers = keys(from, open, limits);
            KeyIndex index = new KeyIndex(keys(to, open, limits));
            BitSet used = new BitSet(index.size());
            int without = 0;
            for (int row = 0; row < pointers.size(); row++) {
                int found = index.find(pointers, row);
                if (found < 0) {
                    without++;
                } else {
                    used.set(found);
                }
            }
            int unused = index.size() - used.cardinality() - index.repeats();
            return new JoinTrial(pointers.size(), without, index.size(), Math.max(0, unused), index.repeats());
        }
    }

    private static KeyColumn keys(Side side, OpenSources open, ReadLimits limits) {
        OpenSources.Open source = open.source(side.source());
        source.require(side.table(), side.columns(), "the join");
        int[] all = IntStream.range(0, side.columns().size()).toArray();
        KeyColumn keys = new KeyColumn();
        source.view().read(side.table(), side.columns(), values -> {
            keys.add(values, all);
            if (keys.size() > limits.mostRows()) {
                throw new SourceException("%s, table %s has more than %,d rows, the most that are read at once"
                        .formatted(source.source().name(), side.table(), limits.mostRows()));
            }
        });
        return keys;
    }
}
