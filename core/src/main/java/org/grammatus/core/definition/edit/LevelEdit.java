package org.grammatus.core.definition.edit;

import java.util.Optional;
import org.grammatus.core.choice.Bucket;

/** An edit of a table's levels, or of whether its rows are printed. */
public sealed interface LevelEdit extends ReportEdit {

    /** How the groups of a level say their names. */
    enum Heading {
        HEADING,
        LINE,
        NONE,
        /** In a column of their own, once in each group. */
        COLUMN
    }

    /**
     * @param field id of a field or calculated field of the block's dataset
     * @param before id of the level that it is put around; the innermost unless given
     * @param bucket the span of time, of a date; the usual one of the field unless given
     */
    @NamedEdit(value = "add-level", does = "Groups by a field, with every total at the new level.")
    record AddLevel(String field, Optional<String> before, Optional<Bucket> bucket) implements LevelEdit {}

    @NamedEdit(value = "group-by-column", does = "Groups by what a column shows, and removes it unless it is totalled.")
    record GroupByColumn(String column) implements LevelEdit {}

    @NamedEdit(value = "remove-level", does = "Removes a level with its totals and the columns that name its groups.")
    record RemoveLevel(String level) implements LevelEdit {}

    /** @param before id of the level that it is put around; the innermost unless given */
    @NamedEdit(value = "move-level", does = "Moves a level around another one.")
    record MoveLevel(String level, Optional<String> before) implements LevelEdit {}

    @NamedEdit(value = "switch-level", does = "Switches a level on or off.")
    record SwitchLevel(String level, boolean on) implements LevelEdit {}

    @NamedEdit(value = "name-groups", does = "Prints the names of a level's groups in another way.")
    record NameGroups(String level, Heading heading) implements LevelEdit {}

    /**
     * @param bucket the span of time that its key is coarsened to
     * @param classes whether its key is coarsened to classes of numbers; without it and a bucket the key stands as it is
     */
    @NamedEdit(value = "coarsen-level", does = "Groups by a span of time or by classes of a level's key.")
    record CoarsenLevel(String level, Optional<Bucket> bucket, Optional<Boolean> classes) implements LevelEdit {}

    @NamedEdit(value = "add-class", does = "Adds a class of numbers, as wide as the one before it.")
    record AddClass(String level) implements LevelEdit {}

    /** @param level id of the level; the rows unless given */
    @NamedEdit(value = "add-order-term", does = "Orders a level's groups, or the rows, by one thing more.")
    record AddOrderTerm(Optional<String> level, String by) implements LevelEdit {}

    @NamedEdit(value = "add-group-condition", does = "Shows only the groups of a level that meet a condition more.")
    record AddGroupCondition(String level) implements LevelEdit {}

    @NamedEdit(value = "add-typed-condition", does = "Shows only the groups of a level that meet a typed condition.")
    record AddTypedCondition(String level) implements LevelEdit {}

    @NamedEdit(value = "show-rows", does = "Prints the rows, or the innermost groups alone as lines.")
    record ShowRows(boolean shown) implements LevelEdit {}
}
