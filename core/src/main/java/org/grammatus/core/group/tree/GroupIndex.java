package org.grammatus.core.group.tree;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.IntList;
import org.grammatus.core.columnar.JointCodes;
import org.grammatus.core.columnar.KeyCodes;
import org.grammatus.core.columnar.PairTable;
import org.grammatus.core.columnar.ParentCodes;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.columnar.ThreadChunks;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.plan.Axis;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.core.value.Scalar;

/**
 * The groups of the selected rows, not yet in order. A node is its path: groups of one key under two parents are two nodes.
 * Depth 0 is the report, depth {@code d} the level {@code d - 1}. Immutable once made.
 *
 * <p>A folded node stands for several groups of one parent, and below it, down to the last depth, stands one folded node each.
 */
public final class GroupIndex {

    /** More groups without rows than this are a mistake. */
    private static final int MOST_EMPTY = 1_000_000;

    private final Axis axis;
    private final Star star;
    private final KeptRows kept;
    private final Folding folding;
    private final int[][] used;
    /** By depth: number of the table whose rows know their node. */
    private final int[] table;
    /** By depth and row of that table: the node, counted within the depth; -1 where no selected row leads. */
    private final int[][] nodeOfRow;

    private final int[] firstOfDepth;
    /** By depth and node within it: the parent. */
    private final int[][] parents;

    private final int[] parent;
    private final Column[] keys;
    /** By depth and node within it, where any is folded. */
    private final byte[][] visibilities;

    private final int[] withRows;

    private GroupIndex(Axis axis, Star star, KeptRows kept, Folding folding, Faults faults, BooleanSupplier cancelled) {
        int depths = axis.depths();
        this.axis = axis;
        this.star = star;
        this.kept = kept;
        this.folding = folding;
        this.used = new int[axis.dataset().tableCount()][];
        this.table = new int[depths];
        this.nodeOfRow = new int[depths][];
        this.keys = new Column[depths];
        this.visibilities = new byte[depths][];
        this.withRows = new int[depths];
        this.firstOfDepth = new int[depths + 1];
        this.parents = new int[depths][];
        firstOfDepth[1] = 1;
        withRows[0] = 1;
        for (int depth = 1; depth < depths; depth++) {
            if (cancelled.getAsBoolean()) {
                throw new CancellationException("The run was cancelled");
            }
            group(depth, faults);
            firstOfDepth[depth + 1] = firstOfDepth[depth] + parents[depth].length;
        }
        this.parent = new int[nodeCount()];
        parent[0] = -1;
        for (int depth = 1; depth < depths; depth++) {
            System.arraycopy(parents[depth], 0, parent, firstOfDepth[depth], parents[depth].length);
        }
    }

    /** Groups rows in which every group stands by itself. */
    public static GroupIndex of(Axis axis, Star star, KeptRows kept, Faults faults, BooleanSupplier cancelled) {
        return of(axis, star, kept, Folding.none(axis.depths()), faults, cancelled);
    }

    public static GroupIndex of(
            Axis axis, Star star, KeptRows kept, Folding folding, Faults faults, BooleanSupplier cancelled) {
        return new GroupIndex(axis, star, kept, folding, faults, cancelled);
    }

    /** Finds the nodes of one depth and their parents. */
    private void group(int depth, Faults faults) {
        LevelPlan level = axis.level(depth);
        DatasetModel dataset = axis.dataset();
        int home = level.keys().home();
        table[depth] = depth == 1 ? home : dataset.finest(table[depth - 1], home);
        Column key = GroupKeys.of(level, star, faults);
        KeyCodes codes = KeyCodes.of(key);
        int[] rowCodes = codes.codes();
        if (table[depth] != home) {
            rowCodes = Gathering.numbers(rowCodes, star.path(table[depth], home));
        }
        int[] rows = used(table[depth]);
        byte[] visibilityOfRow = folded(depth, rows);
        Optional<int[]> parentOfCode = visibilityOfRow == null
                ? OneParent.of(depth == 1 ? null : parentOfRow(depth), rowCodes, rows, codes.count())
                : Optional.empty();
        if (parentOfCode.isPresent()) {
            numberByCode(depth, rows, rowCodes, parentOfCode.get(), codes);
        } else {
            numberByRow(depth, rows, rowCodes, codes.count(), key, visibilityOfRow);
        }
        if (level.keys().empty().isPresent()) {
            fillIn(depth, KeysWithoutRows.keys(level, dataset, star, key, used(home)));
        }
    }

    /** Gives each code that occurs a node of its own. */
    private void numberByCode(int depth, int[] rows, int[] rowCodes, int[] parentOfCode, KeyCodes codes) {
        int[] numbers = new int[parentOfCode.length];
        int[] present = new int[parentOfCode.length];
        int count = 0;
        for (int code = 0; code < numbers.length; code++) {
            numbers[code] = count;
            present[count] = code;
            count += parentOfCode[code] == OneParent.ABSENT ? 0 : 1;
        }
        present = Arrays.copyOf(present, count);
        boolean noGaps = count == 0 || present[count - 1] == count - 1;
        int size = star.table(table[depth]).size();
        nodeOfRow[depth] = noGaps && rows.length == size ? rowCodes : numbered(rows, rowCodes, numbers, size);
        parents[depth] = new int[count];
        for (int node = 0; node < count; node++) {
            parents[depth][node] = firstOfDepth[depth - 1] + parentOfCode[present[node]];
        }
        withRows[depth] = count;
        visibilities[depth] = new byte[0];
        keys[depth] = codes.values(present);
    }

    /** By row of a table of so many: the number of its code, or -1 where it does not count. */
    private static int[] numbered(int[] rows, int[] rowCodes, int[] numbers, int size) {
        int[] numbered = new int[size];
        if (rows.length < size) {
            Arrays.fill(numbered, -1);
        }
        int parts = ThreadChunks.of(rows.length, 1);
        IntStream.range(0, parts).parallel().forEach(part -> {
            int end = ThreadChunks.start(rows.length, parts, part + 1);
            for (int i = ThreadChunks.start(rows.length, parts, part); i < end; i++) {
                numbered[rows[i]] = numbers[rowCodes[rows[i]]];
            }
        });
        return numbered;
    }

    /** Gives each pair of a parent and a code a node, as rows come. */
    private void numberByRow(int depth, int[] rows, int[] codesOfRows, int codes, Column key, byte[] visibilityOfRow) {
        LevelPlan level = axis.level(depth);
        int[] rowCodes = codesOfRows;
        if (visibilityOfRow != null) {
            // What is folded has, in each parent, one key that no row has.
            rowCodes = rowCodes.clone();
            for (int row : rows) {
                rowCodes[row] = visibilityOfRow[row] == Visibility.SHOWN ? rowCodes[row] : codes + visibilityOfRow[row];
            }
        }
        int[] samples = number(depth, rows, rowCodes, codes + Visibility.DROPPED + 1);
        withRows[depth] = samples.length;
        visibilities[depth] = new byte[visibilityOfRow == null ? 0 : samples.length];
        for (int node = 0; node < visibilities[depth].length; node++) {
            visibilities[depth][node] = visibilityOfRow[samples[node]];
        }
        int[] keyRows = table[depth] == level.keys().home()
                ? samples.clone()
                : Gathering.numbers(star.path(table[depth], level.keys().home()), samples);
        for (int node = 0; node < visibilities[depth].length; node++) {
            keyRows[node] = visibilities[depth][node] == Visibility.SHOWN ? keyRows[node] : -1;
        }
        keys[depth] = Gathering.orNull(key, keyRows);
    }

    /** By row of a depth's table, its visibility: its own or, before that, the one of the group around it; null where all are shown. */
    private byte[] folded(int depth, int[] rows) {
        byte[] own = folding.at(depth).orElse(null);
        boolean above = depth > 1 && visibilities[depth - 1].length > 0;
        if (!above) {
            return own;
        }
        byte[] folded = new byte[star.table(table[depth]).size()];
        int[] path = table[depth] == table[depth - 1] ? null : star.path(table[depth], table[depth - 1]);
        for (int row : rows) {
            byte around = visibilities[depth - 1][nodeOfRow[depth - 1][path == null ? row : path[row]]];
            folded[row] = around != Visibility.SHOWN ? around : own == null ? Visibility.SHOWN : own[row];
        }
        return folded;
    }

    /** Numbers the nodes of a depth as rows come and returns, by node, a row of the depth's table that lies in it. */
    private int[] number(int depth, int[] rows, int[] rowCodes, int codes) {
        int[] parentOfRow = depth == 1 ? null : parentOfRow(depth);
        int[] nodes = new int[star.table(table[depth]).size()];
        if (rows.length < nodes.length) {
            Arrays.fill(nodes, -1);
        }
        int[] samples = new int[Math.min(rows.length, 1024)];
        int[] parentOf = new int[samples.length];
        ParentCodes pairs = new ParentCodes(codes);
        int count = 0;
        for (int row : rows) {
            int above = parentOfRow == null ? 0 : parentOfRow[row];
            int node = pairs.numberOf(above, rowCodes[row]);
            nodes[row] = node;
            if (node == count) {
                if (count == samples.length) {
                    samples = Arrays.copyOf(samples, count * 2);
                    parentOf = Arrays.copyOf(parentOf, count * 2);
                }
                samples[count] = row;
                parentOf[count] = firstOfDepth[depth - 1] + above;
                count++;
            }
        }
        nodeOfRow[depth] = nodes;
        parents[depth] = Arrays.copyOf(parentOf, count);
        return Arrays.copyOf(samples, count);
    }

    /** Adds to each group above the keys that it has no rows of. */
    private void fillIn(int depth, Column wanted) {
        int home = axis.level(depth).keys().home();
        Optional<SharedDays> days = SharedDays.at(depth, axis, star, used(home));
        JointCodes codes = JointCodes.of(keys[depth], wanted);
        PairTable known = new PairTable(withRows[depth]);
        for (int node = 0; node < withRows[depth]; node++) {
            if (visibilityWithin(depth, node) == Visibility.SHOWN) {
                known.add(PairTable.pair(parents[depth][node], codes.left()[node]));
            }
        }
        int count = firstOfDepth[depth] - firstOfDepth[depth - 1];
        IntList addedTo = new IntList();
        IntList added = new IntList();
        for (int above = 0; above < count; above++) {
            int parentNode = firstOfDepth[depth - 1] + above;
            if (visibilityWithin(depth - 1, above) != Visibility.SHOWN) {
                continue;
            }
            for (int i = 0; i < wanted.size(); i++) {
                boolean inside =
                        days.isEmpty() || isInside(days.get(), depth, above, ((Column.Longs) wanted).values()[i]);
                if (known.add(PairTable.pair(parentNode, codes.right()[i]))
                        && inside
                        && !isAbsent(depth, above, wanted, i)) {
                    addedTo.add(parentNode);
                    added.add(i);
                }
            }
            requireFew(depth, added.size());
        }
        keys[depth] = Gathering.joined(keys[depth], wanted.gather(added.toArray()));
        parents[depth] = Arrays.copyOf(parents[depth], withRows[depth] + added.size());
        System.arraycopy(addedTo.toArray(), 0, parents[depth], withRows[depth], added.size());
    }

    /** A span of time or a place of a cycle stands only in those around it with which it shares a day. */
    private boolean isInside(SharedDays days, int depth, int above, long key) {
        Long[] around = new Long[days.depths().size()];
        around[around.length - 1] = key;
        int within = above;
        int next = around.length - 2;
        for (int outer = depth - 1; outer > 0; outer--) {
            if (next >= 0 && days.depths().get(next) == outer) {
                if (keys[outer].isNull(within)) {
                    return false;
                }
                around[next--] = ((Column.Longs) keys[outer]).values()[within];
            }
            within = parents[outer][within] - firstOfDepth[outer - 1];
        }
        return days.share(List.of(around));
    }

    private boolean isAbsent(int depth, int above, Column wanted, int i) {
        if (!folding.hasAbsent(depth)) {
            return false;
        }
        List<Scalar> path = new ArrayList<>(pathWithin(depth - 1, above));
        path.add(Scalars.at(wanted, i));
        return folding.isAbsent(depth, path);
    }

    private void requireFew(int depth, int added) {
        if (added > MOST_EMPTY) {
            LevelPlan level = axis.level(depth);
            throw new ProblemException(Problem.error(
                    level.pointer() + "/empty",
                    "level \"" + level.name() + "\" would show more than " + MOST_EMPTY
                            + " groups without rows; leave them out, or list the ones you want"));
        }
    }

    /** The keys on the way to a node, outermost first. */
    public List<Scalar> path(int node) {
        int depth = 0;
        while (node >= firstOfDepth[depth + 1]) {
            depth++;
        }
        return pathWithin(depth, node - firstOfDepth[depth]);
    }

    private List<Scalar> pathWithin(int depth, int within) {
        Scalar[] path = new Scalar[depth];
        int at = within;
        for (int d = depth; d > 0; d--) {
            path[d - 1] = Scalars.at(keys[d], at);
            at = parents[d][at] - firstOfDepth[d - 1];
        }
        return List.of(path);
    }

    /** What becomes of a node, counted within its depth. */
    public byte visibilityWithin(int depth, int within) {
        return depth == 0 || within >= visibilities[depth].length ? Visibility.SHOWN : visibilities[depth][within];
    }

    /** Whether a node, counted within its depth, lies inside one that is folded. */
    public boolean isInsideFolded(int depth, int within) {
        return depth > 1
                && visibilityWithin(depth - 1, parents[depth][within] - firstOfDepth[depth - 1]) != Visibility.SHOWN;
    }

    /** Whether any group of a depth is folded. */
    public boolean hasFolded(int depth) {
        return depth > 0 && visibilities[depth].length > 0;
    }

    /** How many of a depth's nodes have rows; those without stand after them. */
    public int withRows(int depth) {
        return withRows[depth];
    }

    /** For each row of a depth's table, its node at the depth above; the report is above the first. */
    private int[] parentOfRow(int depth) {
        return table[depth] == table[depth - 1]
                ? nodeOfRow[depth - 1]
                : Gathering.numbers(nodeOfRow[depth - 1], star.path(table[depth], table[depth - 1]));
    }

    public Axis axis() {
        return axis;
    }

    public Folding folding() {
        return folding;
    }

    public Star star() {
        return star;
    }

    public KeptRows kept() {
        return kept;
    }

    public int depths() {
        return table.length;
    }

    public int nodeCount() {
        return firstOfDepth[firstOfDepth.length - 1];
    }

    /** First node of a depth; the depth's nodes are consecutive. */
    public int first(int depth) {
        return firstOfDepth[depth];
    }

    /** By node; -1 for the report. */
    public int[] parents() {
        return parent;
    }

    /** By node, the one at a depth that it is or lies in; -1 for what is above. */
    public int[] ancestors(int depth) {
        int[] ancestors = new int[nodeCount()];
        for (int node = 0; node < ancestors.length; node++) {
            ancestors[node] =
                    node < firstOfDepth[depth] ? -1 : node < firstOfDepth[depth + 1] ? node : ancestors[parent[node]];
        }
        return ancestors;
    }

    public int tableOf(int depth) {
        return table[depth];
    }

    /** For each row of one table that a selected row leads to, its node at a depth; the table reaches the depth's. */
    public int[] nodes(int depth, int ofTable, int[] rows) {
        int[] nodes = new int[rows.length];
        if (depth == 0) {
            return nodes;
        }
        int[] byRow = nodeOfRow[depth];
        int first = firstOfDepth[depth];
        if (ofTable == table[depth]) {
            for (int i = 0; i < rows.length; i++) {
                nodes[i] = first + byRow[rows[i]];
            }
            return nodes;
        }
        int[] path = star.path(ofTable, table[depth]);
        for (int i = 0; i < rows.length; i++) {
            nodes[i] = first + byRow[path[rows[i]]];
        }
        return nodes;
    }

    /** The keys of a depth's nodes, counted within the depth. */
    public Column keys(int depth) {
        return keys[depth];
    }

    /** Rows of a table that at least one selected row leads to, ascending. */
    public int[] used(int ofTable) {
        if (used[ofTable] == null) {
            if (ofTable == DatasetModel.GRAIN) {
                used[ofTable] = kept.rows();
            } else {
                int[] path = star.path(DatasetModel.GRAIN, ofTable);
                BitSet present = new BitSet(star.table(ofTable).size());
                for (int row : kept.rows()) {
                    present.set(path[row]);
                }
                used[ofTable] = present.stream().toArray();
            }
        }
        return used[ofTable];
    }
}
