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

    /** The same report under another title and description. */
    public Report called(String otherTitle, Optional<String> otherDescription) {
        return new Report(
                format, version, id, otherTitle, otherDescription, dataset, locale, prompts, filters, blocks, page);
    }

    /** The same report under another id. */
    public Report withId(String otherId) {
        return new Report(
                format, version, otherId, title, description, dataset, locale, prompts, filters, blocks, page);
    }

    /** The same report with nothing required yet: as long as nobody has been asked, no answer is missing. */
    public Report asking() {
        List<Prompt> open = prompts.stream().map(Prompt::optional).toList();
        return new Report(format, version, id, title, description, dataset, locale, open, filters, blocks, page);
    }

    /**
     * A question to the person who runs the report.
     *
     * @param name what expressions call it, after a colon
     * @param field for a choice, the field whose values are offered
     * @param defaultAnswer a period, a rolling name or one of the values; none leaves the prompt open
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "name", "type", "label", "help", "required", "field", "default"})
    public record Prompt(
            String id,
            String name,
            PromptType type,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            Optional<String> field,
            @JsonProperty("default") Optional<String> defaultAnswer) {

        /** The same prompt, not required. */
        public Prompt optional() {
            return new Prompt(id, name, type, label, help, Optional.empty(), field, defaultAnswer);
        }
    }

    /**
     * A condition on rows, before they are grouped. A {@code period} filter keeps the rows whose field lies in a period prompt's
     * answer; a {@code condition} filter compares a field with values or with a choice prompt's answer; an {@code expression}
     * filter keeps the rows for which its condition is true.
     *
     * @param values what is compared with, as people write it: {@code 12.5}, {@code 2026-01-31}
     * @param off whether the filter is kept but does not apply
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "kind", "field", "comparison", "values", "prompt", "where", "off"})
    public record Filter(
            String id,
            FilterKind kind,
            Optional<String> field,
            Optional<Comparison> comparison,
            Optional<List<String>> values,
            Optional<String> prompt,
            Optional<String> where,
            Optional<Boolean> off) {}

    /**
     * One banded table.
     *
     * @param counts ids of the dataset's tables whose rows are counted in words beside every total: "5 orders, 12 lines"
     */
    @JsonPropertyOrder({"id", "kind", "levels", "columns", "totals", "counts", "highlights", "rows"})
    public record Block(
            String id,
            BlockKind kind,
            List<Level> levels,
            List<Column> columns,
            List<Total> totals,
            List<String> counts,
            List<Highlight> highlights,
            Rows rows) {}

    /**
     * A group level, outermost first in its list.
     *
     * @param key expression whose value makes the group
     * @param bucket coarsens a date key
     * @param label expression printed for the group; its first row counts
     * @param headerText template of the heading; the label unless given
     * @param footerText template of the footer's name; "… total" unless given
     * @param newPage whether each group begins on a new page
     * @param off whether the level is kept but does not apply
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({
        "id",
        "name",
        "key",
        "bucket",
        "label",
        "order",
        "header",
        "headerText",
        "footer",
        "footerText",
        "newPage",
        "off"
    })
    public record Level(
            String id,
            String name,
            String key,
            Optional<Bucket> bucket,
            Optional<String> label,
            List<OrderTerm> order,
            Header header,
            Optional<String> headerText,
            Footer footer,
            Optional<String> footerText,
            Optional<Boolean> newPage,
            Optional<Boolean> off) {}

    /** One key of an order: any expression, shown or not. */
    @JsonPropertyOrder({"id", "by", "direction"})
    public record OrderTerm(String id, String by, Direction direction) {}

    /**
     * A column of figures or texts.
     *
     * @param value expression of one row
     * @param format CLDR number or date pattern; none takes the field's
     * @param width points; measured from what is printed unless given
     * @param once id of the level in whose groups the value is printed once, and again at the top of a page
     * @param off whether the column is kept but not printed
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "label", "value", "format", "align", "width", "once", "off"})
    public record Column(
            String id,
            String label,
            String value,
            Optional<String> format,
            Optional<Align> align,
            Optional<Integer> width,
            Optional<String> once,
            Optional<Boolean> off) {

        /** The same column at another width. */
        public Column withWidth(Optional<Integer> points) {
            return new Column(id, label, value, format, align, points, once, off);
        }
    }

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

    /**
     * A rule that marks rows: those for which its condition is true and no rule before it is.
     *
     * @param when a condition of a row, or, with aggregates, of a group printed as a line
     * @param off whether the rule is kept but does not apply
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "label", "when", "look", "off"})
    public record Highlight(String id, String label, String when, Look look, Optional<Boolean> off) {}

    /** Whether the rows themselves are printed, and their order. */
    @JsonPropertyOrder({"shown", "order"})
    public record Rows(boolean shown, List<OrderTerm> order) {}

    /**
     * The paper. Margins in millimetres.
     *
     * @param header text at the left of every page but the first; the title unless given
     * @param footer text at the left below every page; dataset and business date unless given
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"paper", "orientation", "margins", "header", "footer"})
    public record PageSetup(
            Paper paper, Orientation orientation, Margins margins, Optional<String> header, Optional<String> footer) {
        @JsonPropertyOrder({"top", "right", "bottom", "left"})
        public record Margins(int top, int right, int bottom, int left) {}
    }

    public enum PromptType {
        PERIOD,
        CHOICE
    }

    public enum FilterKind {
        PERIOD,
        CONDITION,
        EXPRESSION
    }

    /** How a condition compares its field. Exclusions keep rows in which the field is blank. */
    public enum Comparison {
        IS,
        IS_NOT,
        LESS,
        AT_MOST,
        MORE,
        AT_LEAST,
        BETWEEN,
        CONTAINS,
        DOES_NOT_CONTAIN,
        STARTS_WITH,
        BLANK,
        NOT_BLANK
    }

    /** How marked rows look; each has a mark and a weight of its own besides its tint. */
    public enum Look {
        ALERT,
        WATCH,
        NOTE
    }

    public enum BlockKind {
        BANDED
    }

    /** What a date is coarsened to: a span of time, or a place in a cycle that comes again. */
    public enum Bucket {
        DAY,
        WEEK,
        MONTH,
        QUARTER,
        YEAR,
        FISCAL_QUARTER,
        FISCAL_YEAR,
        DAY_OF_WEEK,
        MONTH_OF_YEAR,
        FISCAL_MONTH,
        QUARTER_OF_YEAR
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
        CENTRE,
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
