package org.grammatus.core.expression;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.value.Scalar;

/** The names an expression may use where it stands. */
public interface Names {

    /** The field of this name, or what a calculated field stands for; an unquoted name is found whatever its case. */
    Optional<Typed> field(String name, boolean quoted);

    /** What the measure of this name stands for, likewise. */
    default Optional<Typed> measure(String name, boolean quoted) {
        return Optional.empty();
    }

    /**
     * A level of groups.
     *
     * @param name what people call it
     */
    record Level(String id, String name) {}

    /** The levels that OVER can name, outermost first; none where there are no groups. */
    default List<Level> levels() {
        return List.of();
    }

    /** What OVER can call the rows; none where there are none to step over. */
    default Optional<Level> rows() {
        return Optional.empty();
    }

    /** What a row is called where rows of another dataset are looked for; none where none can be. */
    default Optional<String> rowName() {
        return Optional.empty();
    }

    /** The names of the rows of a dataset in which rows can be looked for, by its id. */
    default Optional<Names> related(String dataset) {
        return Optional.empty();
    }

    /** Ids of the datasets in which rows can be looked for. */
    default Collection<String> relatedDatasets() {
        return Set.of();
    }

    /** Id of the field that has the names of a field's values, where these are keys. */
    default Optional<String> nameOf(String field) {
        return Optional.empty();
    }

    /** Names of fields, calculated fields and measures, each with what people call it. */
    Map<String, String> fieldLabels();

    /** What {@code :name} stands for: its answer, or NULL of its type. */
    Optional<Scalar> prompt(String name);

    /** The values that {@code :name} stands for in a list, where it is a choice of several that was answered. */
    default Optional<Chosen> chosen(String name) {
        return Optional.empty();
    }

    /**
     * Chosen values.
     *
     * @param blank whether rows without a value are chosen, too
     * @param except whether all others are meant
     */
    record Chosen(List<Scalar> values, boolean blank, boolean except) {

        public Chosen {
            values = List.copyOf(values);
        }
    }

    Collection<String> promptNames();

    /** The names after a colon that have no answer. */
    default Set<String> unanswered() {
        return Set.of();
    }

    /** What CURRENT_DATE stands for. */
    LocalDate currentDate();
}
