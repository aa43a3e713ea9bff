package org.grammatus.core.group.figure;

import org.grammatus.core.columnar.Column;

/** One aggregate for every node at once: starts empty, takes rows, merges children into parents, and is finished once. */
public interface Accumulator {

    /** Adds rows of the argument's column, each to the node at the same place. */
    void add(int[] nodes, int[] rows);

    /** Adds what one node holds to another. */
    void merge(int into, int from);

    /** The aggregate's value by node. */
    Column finish();
}
