package org.grammatus.core.columnar;

/** How rows are divided among threads that each have a table of their own. */
public final class ThreadChunks {

    /** Fewer rows than this are not worth a thread. */
    private static final int WORTH_SHARING = 200_000;

    private static final int MOST = 4;

    private ThreadChunks() {}

    /**
     * In how many parts rows are best worked on.
     *
     * @param table entries of the table that each part needs for itself
     */
    public static int of(int rows, int table) {
        boolean worth = rows >= WORTH_SHARING && table <= rows;
        return worth ? Math.clamp(Runtime.getRuntime().availableProcessors(), 1, MOST) : 1;
    }

    /** Where a part begins; the one after the last begins at the end. */
    public static int start(int rows, int parts, int part) {
        return (int) ((long) rows * part / parts);
    }
}
