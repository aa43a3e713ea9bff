package org.grammatus.core.definition.edit;

import java.util.Optional;

/** An edit of key figures. */
public sealed interface FigureEdit extends ReportEdit {

    /** What a key figure is compared with. */
    enum Beside {
        NONE,
        PLAN,
        LAST_YEAR,
        PREVIOUS_PERIOD,
        /** The answer to a second period. */
        PERIOD
    }

    /** @param field id of a field, calculated field or measure of the block's dataset */
    @NamedEdit(value = "add-figure", does = "Adds a key figure of a field's usual total.")
    record AddFigure(String field) implements FigureEdit {}

    @NamedEdit(value = "remove-figure", does = "Removes a key figure; the last one stays.")
    record RemoveFigure(String figure) implements FigureEdit {}

    /**
     * @param date id of the date field that tells the time
     * @param prompt name of the prompt that asks for the period
     */
    @NamedEdit(
            value = "compare-figure",
            does = "Puts the same figure of another time, a plan or nothing beside a key figure.")
    record CompareFigure(String figure, Beside with, Optional<String> date, Optional<String> prompt)
            implements FigureEdit {}

    /** @param where a condition of a row; none takes all rows */
    @NamedEdit(value = "filter-figure", does = "Lets a key figure take only the rows that meet a condition.")
    record FilterFigure(String figure, Optional<String> where) implements FigureEdit {}
}
