package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.value.Kind;

/**
 * A dataset's definition, as {@code dataset.schema.json} describes it: tables, how they join, and a dictionary of what is known by
 * name: fields, calculated fields and measures.
 *
 * @param builtOn ids of datasets whose tables, joins and names are this one's too
 * @param calendar the installation's where it is not said
 * @param complete until when its rows are all there; always unless given
 * @param grain id of the table whose rows are the dataset's rows
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "format",
    "version",
    "id",
    "label",
    "description",
    "builtOn",
    "calendar",
    "complete",
    "grain",
    "tables",
    "joins",
    "fields",
    "calculated",
    "measures"
})
public record Dataset(
        String format,
        int version,
        String id,
        String label,
        Optional<String> description,
        Optional<List<String>> builtOn,
        Optional<Calendar> calendar,
        Optional<Complete> complete,
        String grain,
        List<Table> tables,
        List<Join> joins,
        List<Field> fields,
        Optional<List<Calculated>> calculated,
        Optional<List<Measure>> measures) {

    /** The most fields that one may have. */
    public static final int MOST_FIELDS = 2_000;

    public static final String FORMAT = "grammatus-dataset";
    public static final int VERSION = 1;

    /** Id of the source that tables stand in which name none. */
    public static final String USUAL_SOURCE = "main";

    /** The same with other tables, joins and fields. */
    public Dataset with(String otherGrain, List<Table> otherTables, List<Join> otherJoins, List<Field> otherFields) {
        return new Dataset(
                format,
                version,
                id,
                label,
                description,
                builtOn,
                calendar,
                complete,
                otherGrain,
                otherTables,
                otherJoins,
                otherFields,
                calculated,
                measures);
    }

    /** The same with other calculated fields and measures. */
    public Dataset with(Optional<List<Calculated>> otherCalculated, Optional<List<Measure>> otherMeasures) {
        return new Dataset(
                format,
                version,
                id,
                label,
                description,
                builtOn,
                calendar,
                complete,
                grain,
                tables,
                joins,
                fields,
                otherCalculated,
                otherMeasures);
    }

    /** The same over another calendar. */
    public Dataset over(Calendar other) {
        return new Dataset(
                format,
                version,
                id,
                label,
                description,
                builtOn,
                Optional.of(other),
                complete,
                grain,
                tables,
                joins,
                fields,
                calculated,
                measures);
    }

    /**
     * The fiscal calendar.
     *
     * @param fiscalYearStart month, 1 to 12, whose first day starts the fiscal year
     * @param yearName by which calendar year a fiscal year is called; both unless said
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"fiscalYearStart", "yearName"})
    public record Calendar(int fiscalYearStart, Optional<YearName> yearName) {}

    /**
     * Until when its rows are all there: rows of later days are still being added.
     *
     * @param field id of the date field that tells when
     * @param daysBefore how many days before the business date the last complete day is; 0 for that date itself
     */
    @JsonPropertyOrder({"field", "daysBefore"})
    public record Complete(String field, int daysBefore) {}

    /** What a fiscal year is called by: "2025/26", the year in which it starts, or the one in which it ends. */
    public enum YearName {
        BOTH,
        START,
        END
    }

    /**
     * A table of a source.
     *
     * @param source id of the source; the one that the product was started with unless said
     * @param table its name in the source
     * @param key the columns that tell its rows apart
     * @param noun what one row and several rows are called in counts
     * @param code id of the field by which people tell its rows apart
     * @param name id of the field by which people call its rows; several may share one
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "source", "table", "key", "noun", "code", "name"})
    public record Table(
            String id,
            Optional<String> source,
            String table,
            List<String> key,
            Noun noun,
            Optional<String> code,
            Optional<String> name) {}

    /** A thing's name, for one and for several: "line", "lines". */
    @JsonPropertyOrder({"one", "other"})
    public record Noun(String one, String other) {
        public String of(long count) {
            return count == 1 ? one : other;
        }
    }

    /**
     * A to-one join: each row of {@code from} has at most one row of {@code to}, whose key the given columns hold.
     *
     * @param keep which rows stay; all unless said
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "from", "to", "columns", "keep"})
    public record Join(String id, String from, String to, List<String> columns, Optional<Keep> keep) {}

    /** What becomes of rows of the grain that a join leads nowhere: they stay (a left join), or are left out (an inner one). */
    public enum Keep {
        ALL,
        MATCHED
    }

    /**
     * A field: one column of one table, its home.
     *
     * @param scale for a decimal, the digits after the point; the source holds it as an integer of that scale
     * @param format CLDR number or date pattern
     * @param unit unit or currency, said where figures are explained
     * @param order a text's values in their natural order; those not listed stand after them
     * @param lookup id of the field that has the names of its values, where they are keys
     * @param hidden whether it is not offered when reports are made, such as a key that is only joined by
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({
        "id",
        "table",
        "column",
        "label",
        "description",
        "type",
        "scale",
        "role",
        "format",
        "unit",
        "order",
        "lookup",
        "hidden"
    })
    public record Field(
            String id,
            String table,
            String column,
            String label,
            Optional<String> description,
            Kind type,
            Optional<Integer> scale,
            Role role,
            Optional<String> format,
            Optional<String> unit,
            Optional<List<String>> order,
            Optional<String> lookup,
            Optional<Boolean> hidden) {

        /** The same as a key that is not offered by itself, with the field that has its name. */
        public Field asKey(Optional<String> name) {
            return new Field(
                    id,
                    table,
                    column,
                    label,
                    description,
                    type,
                    scale,
                    Role.IDENTIFIER,
                    format,
                    unit,
                    order,
                    lookup.or(() -> name),
                    Optional.of(true));
        }

        /** The same field, called and printed in another way where one is said. */
        public Field printedAs(Optional<String> otherLabel, Optional<String> otherFormat) {
            return new Field(
                    id,
                    table,
                    column,
                    otherLabel.orElse(label),
                    description,
                    type,
                    scale,
                    role,
                    otherFormat.or(() -> format),
                    unit,
                    order,
                    lookup,
                    hidden);
        }

        /** The same standing for itself where its names stand in a field that is gone. */
        public Field without(Set<String> gone) {
            return lookup.filter(gone::contains).isEmpty()
                    ? this
                    : new Field(
                            id,
                            table,
                            column,
                            label,
                            description,
                            type,
                            scale,
                            role,
                            format,
                            unit,
                            order,
                            Optional.empty(),
                            hidden);
        }
    }

    /**
     * A field that the source does not have: an expression over others, calculated ones among them.
     *
     * @param value an expression of one row
     * @param order as a field's
     * @param hidden as a field's
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "label", "description", "value", "role", "format", "unit", "order", "hidden"})
    public record Calculated(
            String id,
            String label,
            Optional<String> description,
            String value,
            Role role,
            Optional<String> format,
            Optional<String> unit,
            Optional<List<String>> order,
            Optional<Boolean> hidden) {}

    /**
     * A named aggregate, defined once for all reports: "net sales", "orders".
     *
     * @param value an expression of many rows, with aggregates; other measures may be in it
     * @param order in which groups stand that are ordered by it; the largest first unless said
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "label", "description", "value", "format", "unit", "order"})
    public record Measure(
            String id,
            String label,
            Optional<String> description,
            String value,
            Optional<String> format,
            Optional<String> unit,
            Optional<Direction> order) {}

    /** Whether adding the field's values up means anything. */
    public enum Role {
        ADDITIVE,
        NOT_ADDITIVE,
        IDENTIFIER,
        DESCRIPTIVE
    }
}
