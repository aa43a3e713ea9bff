package org.grammatus.benchmarks;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;

/** The innermost groups of a result in printed order, each with its path and its figures, beside the rows of an anchor's answer. */
final class AnchorRows {

    private static final double NEAR = 1e-6;

    private final TableResult grouped;
    private final GroupTree tree;
    /** Whether a path stands in one column of the answer. */
    private final boolean joined;

    private int place;

    AnchorRows(TableResult grouped, boolean joined) {
        this.grouped = grouped;
        this.tree = grouped.tree();
        this.joined = joined;
    }

    /**
     * Compares the next group with a row.
     *
     * @throws IllegalStateException if they differ
     */
    void requireNext(List<String> theirs) {
        do {
            place++;
        } while (place < tree.nodeCount() && tree.lastPlaceFrom(place) != place);
        if (place == tree.nodeCount()) {
            throw new IllegalStateException("Theirs has more rows than ours: " + theirs);
        }
        List<String> ours = row(tree.nodeAt(place));
        boolean same = ours.size() == theirs.size();
        for (int i = 0; same && i < ours.size(); i++) {
            same = isSame(ours.get(i), theirs.get(i));
        }
        if (!same) {
            throw new IllegalStateException("Place " + place + ": ours " + ours + ", theirs " + theirs);
        }
    }

    void requireOver() {
        if (place != tree.nodeCount() - 1) {
            throw new IllegalStateException("Ours has more rows than theirs");
        }
    }

    private List<String> row(int node) {
        List<String> path = new ArrayList<>();
        for (int n = node; n != GroupTree.ROOT; n = tree.parentOf(n)) {
            path.addFirst(
                    grouped.groups().isOthers(n)
                            ? "others"
                            : ScalarText.write(grouped.groups().key(n)));
        }
        List<String> row = joined ? new ArrayList<>(List.of(String.join("|", path))) : path;
        for (Column total : grouped.figures().totals()) {
            row.add(
                    Scalars.at(total, node) instanceof Scalar.Number number
                            ? number.value().toPlainString()
                            : "");
        }
        return row;
    }

    /** Figures that an anchor computes in binary are near ours; those of {@code group} are compared to the last digit. */
    private static boolean isSame(String ours, String theirs) {
        if (ours.equals(theirs)) {
            return true;
        }
        try {
            double a = new BigDecimal(ours).doubleValue();
            double b = new BigDecimal(theirs).doubleValue();
            return Math.abs(a - b) <= NEAR * Math.max(1, Math.abs(b));
        } catch (NumberFormatException e) {
            return false;
        }
    }
}
