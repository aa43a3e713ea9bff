package org.grammatus.core.definition.edit;

import java.util.Optional;

/** An edit of a table's totals. */
public sealed interface TotalEdit extends ReportEdit {

    /** Where a total is printed at a level. */
    enum Position {
        HEADER,
        FOOTER,
        NONE
    }

    /** What a total shows: something made of it, or a comparison with another time or a plan. */
    enum Showing {
        VALUE,
        SHARE_OF_PARENT,
        SHARE_OF_REPORT,
        RUNNING_IN_PARENT,
        RUNNING_IN_REPORT,
        RANK,
        CHANGE,
        CHANGE_PERCENT,
        LAST_YEAR_FIGURE,
        LAST_YEAR_DIFFERENCE,
        LAST_YEAR_PERCENT,
        PREVIOUS_PERIOD_FIGURE,
        PREVIOUS_PERIOD_DIFFERENCE,
        PREVIOUS_PERIOD_PERCENT,
        PLAN_FIGURE,
        PLAN_DIFFERENCE,
        PLAN_PERCENT
    }

    /** @param value an aggregate */
    @NamedEdit(value = "add-total", does = "Adds a total under a column, wherever that has none yet.")
    record AddTotal(String column, String value) implements TotalEdit {}

    @NamedEdit(value = "remove-total", does = "Removes a total.")
    record RemoveTotal(String total) implements TotalEdit {}

    /** @param at id of a level, or {@code report} for the grand total */
    @NamedEdit(
            value = "place-total",
            does = "Prints a total in the header or footer of a level's groups, or not at all.")
    record PlaceTotal(String total, String at, Position in) implements TotalEdit {}

    /** @param at id of a level, or {@code report} for the grand total */
    @NamedEdit(
            value = "turn-total",
            does = "Gives a total its next position at a level: none, the usual one, the other one.")
    record TurnTotal(String total, String at) implements TotalEdit {}

    @NamedEdit(value = "toggle-total", does = "Prints a total at every level, or at none where it is at every one.")
    record ToggleTotal(String total) implements TotalEdit {}

    /** @param at id of a level, or {@code report} for the grand total */
    @NamedEdit(value = "toggle-totals-at", does = "Prints every total at a level, or none where all are there.")
    record ToggleTotalsAt(String at) implements TotalEdit {}

    /** @param date id of the date field that tells the time, where it is compared with another time */
    @NamedEdit(
            value = "show-total-as",
            does = "Shows something made of a total, or its comparison with another time or a plan.")
    record ShowTotalAs(String total, Showing as, Optional<String> date) implements TotalEdit {}

    /**
     * @param name what is put after the column's label
     * @param date id of the date field that tells the time, where it is compared with another time
     */
    @NamedEdit(
            value = "show-beside-total",
            does = "Adds a column after a total's own with something made of the total.")
    record ShowBesideTotal(String total, Showing as, String name, Optional<String> date) implements TotalEdit {}

    /** @param where a condition of a row; none takes all rows */
    @NamedEdit(value = "filter-total", does = "Lets a total take only the rows that meet a condition.")
    record FilterTotal(String total, Optional<String> where) implements TotalEdit {}

    /** @param value an aggregate */
    @NamedEdit(value = "set-total", does = "Makes a total of another aggregate, which keeps the condition on its rows.")
    record SetTotal(String total, String value) implements TotalEdit {}
}
