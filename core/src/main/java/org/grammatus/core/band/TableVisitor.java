package org.grammatus.core.band;

/** Is called for everything that a table prints, from top to bottom. Groups are given by their node numbers. */
public interface TableVisitor {

    /** A group begins; the table itself is the first. */
    void open(int node);

    /**
     * A row of the group that was opened last.
     *
     * @param row its number at the grain
     */
    void row(int node, int row);

    /** The rows of the group that was opened last which have no line of their own. */
    void otherRows(int node);

    /** A group ends, after everything inside it. */
    void close(int node);
}
