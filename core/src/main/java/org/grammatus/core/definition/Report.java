package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.List;
import java.util.Optional;

/**
 * A report's definition, as {@code report.schema.json} describes it. Every part has an id that is unique in the document and
 * kept through edits; parts refer to each other by id, never by position.
 *
 * @param locale BCP 47 language tag, which decides the order of texts and the look of figures and dates
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "format",
    "version",
    "id",
    "title",
    "description",
    "dataset",
    "locale",
    "prompts",
    "filters",
    "blocks",
    "page"
})
public record Report(
        String format,
        int version,
        String id,
        String title,
        Optional<String> description,
        String dataset,
        String locale,
        List<Prompt> prompts,
        List<Filter> filters,
        List<Block> blocks,
        PageSetup page) {

    public static final String FORMAT = "grammatus-report";
    public static final int VERSION = 1;

    /**
     * A question to the person who runs the report.
     *
     * @param name what expressions call it, after a colon
     * @param defaultAnswer a period or a rolling name; none leaves the prompt open
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "name", "type", "label", "help", "required", "default"})
    public record Prompt(
            String id,
            String name,
            PromptType type,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            @JsonProperty("default") Optional<String> defaultAnswer) {}

    /**
     * A condition on rows, before they are grouped. A {@code period} filter keeps the rows whose field lies in a period prompt's
     * answer; an {@code expression} filter keeps those for which its condition is true.
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "kind", "field", "prompt", "where"})
    public record Filter(
            String id, FilterKind kind, Optional<String> field, Optional<String> prompt, Optional<String> where) {}

    /**
     * One banded table.
     *
     * @param counts ids of the dataset's tables whose rows are counted in words beside every total: "5 orders, 12 lines"
     */
    @JsonPropertyOrder({"id", "kind", "levels", "columns", "totals", "counts", "rows"})
    public record Block(
            String id,
            BlockKind kind,
            List<Level> levels,
            List<Column> columns,
            List<Total> totals,
            List<String> counts,
            Rows rows) {}

    /**
     * A group level, outermost first in its list.
     *
     * @param key expression whose value makes the group
     * @param bucket coarsens a date key
     * @param label expression printed for the group; its first row counts
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "name", "key", "bucket", "label", "order", "header", "footer"})
    public record Level(
            String id,
            String name,
            String key,
            Optional<Bucket> bucket,
            Optional<String> label,
            List<OrderTerm> order,
            Header header,
            Footer footer) {}

    /** One key of an order: any expression, shown or not. */
    @JsonPropertyOrder({"id", "by", "direction"})
    public record OrderTerm(String id, String by, Direction direction) {}

    /**
     * A column of figures or texts.
     *
     * @param value expression of one row
     * @param format CLDR number or date pattern; none takes the field's
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "label", "value", "format", "align"})
    public record Column(String id, String label, String value, Optional<String> format, Optional<Align> align) {}

    /**
     * A line of the totals grid: an aggregate, the column it stands under, and the levels at which it is printed.
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "column", "value", "format", "cells"})
    public record Total(String id, String column, String value, Optional<String> format, List<Cell> cells) {}

    /**
     * A place of a total.
     *
     * @param at a level's id, or {@value #REPORT} for the grand total
     */
    @JsonPropertyOrder({"at", "in"})
    public record Cell(String at, Place in) {
        /** Stands for the whole report where a level's id is asked for. */
        public static final String REPORT = "report";
    }

    /** Whether the rows themselves are printed, and their order. */
    @JsonPropertyOrder({"shown", "order"})
    public record Rows(boolean shown, List<OrderTerm> order) {}

    /** The paper. Margins in millimetres. */
    @JsonPropertyOrder({"paper", "orientation", "margins"})
    public record PageSetup(Paper paper, Orientation orientation, Margins margins) {
        @JsonPropertyOrder({"top", "right", "bottom", "left"})
        public record Margins(int top, int right, int bottom, int left) {}
    }

    public enum PromptType {
        PERIOD
    }

    public enum FilterKind {
        PERIOD,
        EXPRESSION
    }

    public enum BlockKind {
        BANDED
    }

    /** What a date is coarsened to. */
    public enum Bucket {
        DAY,
        MONTH,
        YEAR,
        FISCAL_YEAR
    }

    public enum Direction {
        ASCENDING,
        DESCENDING
    }

    /** How a group opens: a heading above its rows, one line in the columns, or not at all. */
    public enum Header {
        HEADING,
        LINE,
        NONE
    }

    public enum Footer {
        TOTALS,
        NONE
    }

    public enum Place {
        HEADER,
        FOOTER
    }

    public enum Align {
        START,
        END
    }

    public enum Paper {
        A4,
        LETTER
    }

    public enum Orientation {
        PORTRAIT,
        LANDSCAPE
    }
}
