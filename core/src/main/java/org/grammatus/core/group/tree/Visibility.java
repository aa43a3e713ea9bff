package org.grammatus.core.group.tree;

/** Whether a group is shown, is left out, or is folded into others. Held as bytes, one for a row or a node. */
public final class Visibility {

    /** It stands by itself. */
    public static final byte SHOWN = 0;
    /** It is one of those that stand together, last among their siblings. */
    public static final byte OTHERS = 1;
    /** It is not shown, but counts in the totals around it. */
    public static final byte HIDDEN = 2;
    /** Its rows are left out of everything. */
    public static final byte DROPPED = 3;

    private Visibility() {}
}
