package org.grammatus.core.group.tree;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.value.Scalar;

/**
 * The groups of a tree that are not shown by themselves: by depth, the visibility of each row of the depth's table, and the paths without rows
 * that are not to be filled in. Immutable by convention.
 */
public final class Folding {

    private final List<Optional<byte[]>> visibilities;
    private final List<Set<List<Scalar>>> absent;

    private Folding(List<Optional<byte[]>> visibilities, List<Set<List<Scalar>>> absent) {
        this.visibilities = visibilities;
        this.absent = absent;
    }

    /** Every group stands by itself. */
    public static Folding none(int depths) {
        return new Folding(
                Collections.nCopies(depths, Optional.empty()), Collections.nCopies(depths, Collections.emptySet()));
    }

    /** This, with other visibilities at one depth, and some more paths that are not to be filled in there. */
    public Folding with(int depth, Optional<byte[]> visibilityOfRow, Set<List<Scalar>> alsoAbsent) {
        List<Optional<byte[]>> otherVisibilities = new ArrayList<>(visibilities);
        otherVisibilities.set(depth, visibilityOfRow);
        List<Set<List<Scalar>>> otherAbsent = new ArrayList<>(absent);
        Set<List<Scalar>> all = new HashSet<>(absent.get(depth));
        all.addAll(alsoAbsent);
        otherAbsent.set(depth, all);
        return new Folding(otherVisibilities, otherAbsent);
    }

    /** By row of the depth's table: its visibility, where any is folded. */
    public Optional<byte[]> at(int depth) {
        return visibilities.get(depth);
    }

    /** Whether a path without rows is not to be filled in. */
    public boolean isAbsent(int depth, List<Scalar> path) {
        return absent.get(depth).contains(path);
    }

    public boolean hasAbsent(int depth) {
        return !absent.get(depth).isEmpty();
    }
}
