package org.grammatus.core.definition.edit;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.FilterComparison;

/** An edit of a report's filters, or of those of the block that is worked on. */
public sealed interface FilterEdit extends ReportEdit {

    /** How a filter takes its parts together. */
    enum Group {
        ALL,
        ANY,
        NONE
    }

    /** A filter without a field to begin with. */
    enum Made {
        /** One of which any part must hold. */
        ANY,
        /** One that keeps the rows with the most of a number. */
        TOP,
        /** One that looks for rows of a dataset. */
        HAS,
        /** A typed condition. */
        EXPRESSION
    }

    /** What a filter of the report, or of a block, reaches. */
    enum Reach {
        REPORT,
        /** The block that is worked on alone. */
        BLOCK,
        /** Blocks by their ids. */
        BLOCKS
    }

    /**
     * @param field id of a field or calculated field of the block's dataset
     * @param within id of the group of filters, or of the filter for rows of a dataset, that it becomes a part of
     * @param prompt name of the prompt whose answer it compares with
     */
    @NamedEdit(value = "add-filter", does = "Adds a filter over a field.")
    record AddFilter(String field, Optional<String> within, Optional<String> prompt) implements FilterEdit {}

    /** @param within id of the group of filters that it becomes a part of */
    @NamedEdit(
            value = "make-filter",
            does = "Adds a filter that is a group, a typed condition, the first rows, or rows of a dataset.")
    record MakeFilter(Made kind, Optional<String> within) implements FilterEdit {}

    @NamedEdit(value = "remove-filter", does = "Removes a filter.")
    record RemoveFilter(String filter) implements FilterEdit {}

    @NamedEdit(value = "copy-filter", does = "Adds a copy of a filter after it.")
    record CopyFilter(String filter) implements FilterEdit {}

    /** @param before id of the filter that it comes before; the last of its list unless given */
    @NamedEdit(value = "move-filter", does = "Moves a filter, also into or out of a group of filters.")
    record MoveFilter(String filter, Optional<String> before) implements FilterEdit {}

    @NamedEdit(value = "group-filter", does = "Puts a filter into a group of filters.")
    record GroupFilter(String filter, Group of) implements FilterEdit {}

    @NamedEdit(value = "ungroup-filter", does = "Puts the parts of a group of filters in its place.")
    record UngroupFilter(String filter) implements FilterEdit {}

    @NamedEdit(value = "negate-filter", does = "Turns a filter round: what it kept it drops.")
    record NegateFilter(String filter) implements FilterEdit {}

    @NamedEdit(value = "type-filter", does = "Turns a built filter into the expression that it stands for.")
    record TypeFilter(String filter) implements FilterEdit {}

    @NamedEdit(value = "build-filter", does = "Turns a typed filter into a built one that means the same.")
    record BuildFilter(String filter) implements FilterEdit {}

    /** @param blocks ids of the blocks, where it reaches blocks by their ids */
    @NamedEdit(
            value = "reach-with-filter",
            does = "Lets a filter reach the report, the block that is worked on, or some blocks.")
    record ReachWithFilter(String filter, Reach reach, Optional<List<String>> blocks) implements FilterEdit {}

    /** @param field id of a field of that dataset; none lets the filter pass over blocks of it */
    @NamedEdit(
            value = "filter-elsewhere",
            does = "Names the field that stands for a filter's own in blocks of another dataset.")
    record FilterElsewhere(String filter, String dataset, Optional<String> field) implements FilterEdit {}

    /** What it compares with stays where it fits the comparison; what is missing is to be written. */
    @NamedEdit(value = "compare-filter", does = "Compares a filter's field in another way.")
    record CompareFilter(String filter, FilterComparison comparison) implements FilterEdit {}

    /** @param field id of the field that it is compared with; values that are to be written unless given */
    @NamedEdit(value = "compare-filter-with", does = "Compares a filter's field with another field, or with values.")
    record CompareFilterWith(String filter, Optional<String> field) implements FilterEdit {}

    @NamedEdit(value = "join-filters", does = "Joins the parts of a group of filters in another way.")
    record JoinFilters(String filter, Group of) implements FilterEdit {}
}
