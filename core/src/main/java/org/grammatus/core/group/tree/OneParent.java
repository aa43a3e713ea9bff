package org.grammatus.core.group.tree;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.ThreadChunks;

/**
 * A shortcut for levels of which no key has two parents, as is usual deep in a hierarchy: there the code of a key alone identifies its group, and no row has to be looked at.
 */
public final class OneParent {

    /** Stands where no row has the code. */
    public static final int ABSENT = -1;

    private OneParent() {}

    /**
     * Finds the parents.
     *
     * @param parentOfRow by row; null where there is one parent for all
     * @param codeOfRow by row, 0 to {@code codes - 1}
     * @param rows the rows that count
     * @return by code the parent, or {@link #ABSENT}; none where a code has several
     */
    public static Optional<int[]> of(int[] parentOfRow, int[] codeOfRow, int[] rows, int codes) {
        int parts = ThreadChunks.of(rows.length, codes);
        int[][] found = new int[parts][];
        IntStream.range(0, parts)
                .parallel()
                .forEach(part -> found[part] = parents(
                        parentOfRow,
                        codeOfRow,
                        rows,
                        ThreadChunks.start(rows.length, parts, part),
                        ThreadChunks.start(rows.length, parts, part + 1),
                        codes));
        int[] parents = found[0];
        for (int part = 1; part < parts && parents != null; part++) {
            parents = found[part] == null ? null : together(parents, found[part]);
        }
        return Optional.ofNullable(parents);
    }

    /** The parents as some of the rows have them; null where a code has several. */
    private static int[] parents(int[] parentOfRow, int[] codeOfRow, int[] rows, int from, int to, int codes) {
        int[] parents = new int[codes];
        Arrays.fill(parents, ABSENT);
        for (int i = from; i < to; i++) {
            int row = rows[i];
            int code = codeOfRow[row];
            int parent = parentOfRow == null ? 0 : parentOfRow[row];
            int known = parents[code];
            if (known != parent) {
                if (known != ABSENT) {
                    return null;
                }
                parents[code] = parent;
            }
        }
        return parents;
    }

    private static int[] together(int[] parents, int[] others) {
        boolean several = false;
        for (int code = 0; code < parents.length; code++) {
            int other = others[code];
            if (other != ABSENT && other != parents[code]) {
                several |= parents[code] != ABSENT;
                parents[code] = other;
            }
        }
        return several ? null : parents;
    }
}
