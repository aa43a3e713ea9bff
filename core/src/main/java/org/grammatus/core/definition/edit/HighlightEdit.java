package org.grammatus.core.definition.edit;

import java.util.Optional;
import org.grammatus.core.choice.Reach;

/** An edit of a block's highlights. */
public sealed interface HighlightEdit extends ReportEdit {

    /** @param about id of the column, total or key figure that it is about; something that is printed unless given */
    @NamedEdit(value = "add-highlight", does = "Adds a highlight with a condition to begin with.")
    record AddHighlight(String label, Optional<String> about) implements HighlightEdit {}

    /** A rule that fits many columns, totals and key figures, and can be had without writing its condition. */
    enum ReadyRule {
        /** Worse than what the figure is compared with. */
        WORSE,
        LESS,
        MORE,
        /** More than a tenth away from what the figure is compared with. */
        FAR,
        NEGATIVE,
        /** Above the answer to a prompt. */
        ABOVE_ANSWER,
        BELOW_ANSWER,
        OVERDUE,
        TODAY,
        ABOVE_AVERAGE,
        ABOVE_GROUP_AVERAGE,
        LARGEST_OF_GROUP,
        SMALLEST_OF_GROUP,
        /** Further from the average of its group than twice the standard deviation. */
        OUTSIDE,
        /** More than three times the average. */
        UNUSUAL,
        FIRST_TEN,
        LAST_TEN,
        FIRST_THREE,
        LAST_THREE,
        FIRST_TENTH,
        /** More than a tenth away from what is printed before it. */
        CHANGED,
        /** Several rows have the value. */
        ALIKE,
        MISSING
    }

    /**
     * @param about id of the column, total or key figure that it is about
     * @param prompt name of the prompt whose answer is compared with
     */
    @NamedEdit(value = "add-ready-highlight", does = "Adds a highlight with a rule that was offered.")
    record AddReadyHighlight(String about, ReadyRule rule, String label, Optional<String> prompt)
            implements HighlightEdit {}

    @NamedEdit(value = "remove-highlight", does = "Removes a highlight.")
    record RemoveHighlight(String highlight) implements HighlightEdit {}

    @NamedEdit(
            value = "count-highlight",
            does = "Adds a column that counts, at each group and in all, the rows that a highlight marks.")
    record CountHighlight(String highlight) implements HighlightEdit {}

    /**
     * @param value what is compared, an expression
     * @param operator how, as expressions write it
     * @param than what it is compared with, an expression; none for {@code IS NULL} and {@code IS NOT NULL}
     * @param typed what it is compared with, as people write a value, instead
     */
    @NamedEdit(value = "set-rule", does = "Makes the condition of a highlight of one comparison.")
    record SetRule(
            String highlight, String value, Optional<String> operator, Optional<String> than, Optional<String> typed)
            implements HighlightEdit {}

    /**
     * @param of how much it marks
     * @param level id of the level whose groups it marks, or {@code report}; none for rows and key figures
     * @param figure id of the key figure that it marks
     * @param column id of the column whose cell alone it marks; the whole line unless given
     */
    @NamedEdit(value = "reach-with-highlight", does = "Lets a highlight mark rows, a part of groups, or a key figure.")
    record ReachWithHighlight(
            String highlight, Reach of, Optional<String> level, Optional<String> figure, Optional<String> column)
            implements HighlightEdit {}
}
