package org.grammatus.core.band;

import org.grammatus.core.plan.ColumnPlan;

/** The words that the program itself puts on pages, in one place so that they can be translated. */
public final class Words {

    public static final String CARRIED_FORWARD = "Carried forward";
    public static final String BROUGHT_FORWARD = "Brought forward";
    public static final String NONE = "(none)";
    public static final String GRAND_TOTAL = "Grand total";
    public static final String CONTINUED = " (continued)";
    /** Stands where a key figure has no value. */
    public static final String NO_FIGURE = "–";

    public static final String NOT_COMPARED = "nothing to compare with";
    public static final String NO_ROWS = "No rows meet these conditions.";

    private Words() {}

    public static String total(String group) {
        return group + " total";
    }

    /** What stands in the place of a block that cannot be printed. */
    public static String refused(String why) {
        return "This part is not printed: " + why;
    }

    /** What a report says of groups that it does not show. */
    public static String notShown(String level, String groups, String of, boolean covered) {
        return level + ": " + groups + " of " + of + " not shown, "
                + (covered ? "but in the totals" : "nor in the totals");
    }

    /** What a column is called, with what its figures are counted in. */
    public static String heading(ColumnPlan column) {
        return column.unit()
                .map(unit -> switch (unit) {
                    case THOUSANDS -> " (thousands)";
                    case MILLIONS -> " (millions)";
                })
                .map(column.label()::concat)
                .orElse(column.label())
                .strip();
    }

    /** What stands for the groups that are not shown by themselves. */
    public static String others(String count) {
        return "Others (" + count + ")";
    }

    /** What stands for the rows of a group that are not printed: "12 other lines". */
    public static String otherRows(String count, String noun) {
        return count + " other " + noun;
    }

    public static String page(int number, int of) {
        return "Page " + number + " of " + of;
    }
}
