package org.grammatus.core.group.figure;

/** Steps in printed order that aggregates are taken over one after the other: groups of a depth, or rows. */
public interface PrintedSteps {

    /** Number of the table whose rows know their step. */
    int table();

    /**
     * The step of each row; -1 for one that is not printed.
     *
     * @param ofTable a table that reaches the one whose rows know their step
     */
    int[] of(int ofTable, int[] rows);

    /** By step, number of the scope in which it lies: a figure starts anew in each. */
    int[] scopes();
}
