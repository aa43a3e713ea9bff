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
 * @param zone IANA time zone in which moments with a zone are read and which decides the business date; the installation's unless given
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
    "zone",
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
        Optional<String> zone,
        List<Prompt> prompts,
        List<Filter> filters,
        List<Block> blocks,
        PageSetup page) {

    public static final String FORMAT = "grammatus-report";
    public static final int VERSION = 1;

    /** The same report under another title and description. */
    public Report called(String otherTitle, Optional<String> otherDescription) {
        return new Report(
                format,
                version,
                id,
                otherTitle,
                otherDescription,
                dataset,
                locale,
                zone,
                prompts,
                filters,
                blocks,
                page);
    }

    /** The same report under another id. */
    public Report withId(String otherId) {
        return new Report(
                format, version, otherId, title, description, dataset, locale, zone, prompts, filters, blocks, page);
    }

    /** The same report with nothing required yet: as long as nobody has been asked, no answer is missing. */
    public Report asking() {
        List<Prompt> open = prompts.stream().map(Prompt::optional).toList();
        return new Report(format, version, id, title, description, dataset, locale, zone, open, filters, blocks, page);
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
     * @param rounding where sums are rounded; {@link Rounding#PRINTED} unless given
     * @param totalsCover whether totals take in the groups and rows that are left out; {@link Cover#SHOWN} unless given
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({
        "id",
        "kind",
        "levels",
        "columns",
        "totals",
        "totalsCover",
        "rounding",
        "counts",
        "highlights",
        "rows"
    })
    public record Block(
            String id,
            BlockKind kind,
            List<Level> levels,
            List<Column> columns,
            List<Total> totals,
            Optional<Cover> totalsCover,
            Optional<Rounding> rounding,
            List<String> counts,
            List<Highlight> highlights,
            Rows rows) {

        public Cover cover() {
            return totalsCover.orElse(Cover.SHOWN);
        }
    }

    /**
     * A group level, outermost first in its list.
     *
     * @param key expression whose value makes the group
     * @param bucket coarsens a date key
     * @param classes coarsens a number key, from the lowest class to the highest; the last takes what is above all others
     * @param listed keys in an order of their own, as files write them; others stand after them
     * @param empty whether keys without rows are shown too, and what stands beside them
     * @param label expression printed for the group; its first row counts
     * @param having condition that a group must meet to be shown
     * @param limit how many groups are shown in each parent
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
        "classes",
        "listed",
        "empty",
        "label",
        "order",
        "having",
        "limit",
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
            Optional<List<NumberClass>> classes,
            Optional<List<String>> listed,
            Optional<Empty> empty,
            Optional<String> label,
            List<OrderTerm> order,
            Optional<String> having,
            Optional<Limit> limit,
            Header header,
            Optional<String> headerText,
            Footer footer,
            Optional<String> footerText,
            Optional<Boolean> newPage,
            Optional<Boolean> off) {

        /** The same level in another order and with another limit. */
        public Level with(List<OrderTerm> otherOrder, Optional<Limit> otherLimit) {
            return changed(otherOrder, otherLimit, header, footer);
        }

        /** The same level with its groups opened and closed in another way. */
        public Level standing(Header otherHeader, Footer otherFooter) {
            return changed(order, limit, otherHeader, otherFooter);
        }

        private Level changed(
                List<OrderTerm> otherOrder, Optional<Limit> otherLimit, Header otherHeader, Footer otherFooter) {
            return new Level(
                    id,
                    name,
                    key,
                    bucket,
                    classes,
                    listed,
                    empty,
                    label,
                    otherOrder,
                    having,
                    otherLimit,
                    otherHeader,
                    headerText,
                    otherFooter,
                    footerText,
                    newPage,
                    off);
        }
    }

    /**
     * A class of numbers.
     *
     * @param upTo the largest number in it, as people write it; none for the last class, which takes the rest
     * @param label what it is called; made from its edges unless given
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"upTo", "label"})
    public record NumberClass(Optional<String> upTo, Optional<String> label) {}

    /**
     * How many siblings are shown.
     *
     * @param keep which end of the order by {@code by} is kept
     * @param by aggregate that is compared
     * @param count how many are kept
     * @param percent how many of a hundred are kept, rounded up, where there is no count
     * @param others whether one group more, last, stands for all that are not kept
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"keep", "by", "count", "percent", "others"})
    public record Limit(
            End keep, String by, Optional<Integer> count, Optional<Integer> percent, Optional<Boolean> others) {}

    /** One key of an order: any expression, shown or not. */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "by", "direction", "basis"})
    public record OrderTerm(String id, String by, Direction direction, Optional<Basis> basis) {}

    /**
     * A column of figures or texts.
     *
     * @param value expression of one row; none for a column of totals alone
     * @param format CLDR number or date pattern; none takes the field's
     * @param unit whether figures are printed in thousands or millions, which the heading says
     * @param width points; measured from what is printed unless given
     * @param once id of the level in whose groups the value is printed once, and again at the top of a page
     * @param off whether the column is kept but not printed
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "label", "value", "format", "unit", "align", "width", "once", "off"})
    public record Column(
            String id,
            String label,
            Optional<String> value,
            Optional<String> format,
            Optional<Unit> unit,
            Optional<Align> align,
            Optional<Integer> width,
            Optional<String> once,
            Optional<Boolean> off) {

        /** The same column at another width. */
        public Column withWidth(Optional<Integer> points) {
            return new Column(id, label, value, format, unit, align, points, once, off);
        }
    }

    /**
     * A line of the totals grid: an aggregate, the column it stands under, and the levels at which it is printed.
     *
     * @param shown what is made of the aggregate; the aggregate itself unless given
     * @param compare what the aggregate is compared with
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"id", "column", "value", "shown", "compare", "format", "cells"})
    public record Total(
            String id,
            String column,
            String value,
            Optional<Shown> shown,
            Optional<Compare> compare,
            Optional<String> format,
            List<Cell> cells) {}

    /**
     * A figure of another time, or a plan, beside a measure.
     *
     * @param with what it is compared with
     * @param date id of the date field that tells the time, for a comparison with another time
     * @param plan aggregate of the plan, for a comparison with one
     * @param cut whether the other time is cut to the same day, as far as the business date has come in this one
     * @param shown the other figure, the difference from it or the difference in percent of it
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"with", "date", "plan", "cut", "shown"})
    public record Compare(
            ComparedWith with, Optional<String> date, Optional<String> plan, Optional<Boolean> cut, Compared shown) {}

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

    /**
     * Whether the rows themselves are printed, and their order.
     *
     * @param limit how many rows, from the first, are kept in each group of the last level
     * @param percent how many of a hundred are kept, rounded up, where there is no such limit
     * @param others whether one line more, last, stands for the rows of the group that are not kept
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"shown", "order", "limit", "percent", "others"})
    public record Rows(
            boolean shown,
            List<OrderTerm> order,
            Optional<Integer> limit,
            Optional<Integer> percent,
            Optional<Boolean> others) {

        public boolean limited() {
            return limit.isPresent() || percent.isPresent();
        }

        /** Whether the rows that are not kept stand together. */
        public boolean standTogether() {
            return limited() && others.orElse(false);
        }

        /** The same rows without a limit. */
        public Rows whole() {
            return new Rows(shown, order, Optional.empty(), Optional.empty(), Optional.empty());
        }

        /** The same rows in another order, printed or not. */
        public Rows with(boolean otherShown, List<OrderTerm> otherOrder) {
            return new Rows(otherShown, otherOrder, limit, percent, others);
        }
    }

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

    /** What a sibling's term is computed over: itself, or all groups of its key across the report. */
    public enum Basis {
        PARENT,
        REPORT
    }

    /** What stands beside a key without rows: sums of zero, or nothing. */
    public enum Empty {
        ZERO,
        BLANK
    }

    public enum End {
        LARGEST,
        SMALLEST
    }

    /** Whether totals are those of the groups and rows that are shown, or of everything. */
    public enum Cover {
        SHOWN,
        EVERYTHING
    }

    /** What is made of an aggregate once the groups stand in order. */
    public enum Shown {
        VALUE,
        SHARE_OF_PARENT,
        SHARE_OF_REPORT,
        RUNNING_IN_PARENT,
        RUNNING_IN_REPORT,
        RANK,
        CHANGE,
        CHANGE_PERCENT
    }

    public enum ComparedWith {
        LAST_YEAR,
        PREVIOUS_PERIOD,
        PLAN
    }

    public enum Compared {
        FIGURE,
        DIFFERENCE,
        PERCENT
    }

    /** What figures are counted in. */
    public enum Unit {
        THOUSANDS(3),
        MILLIONS(6);

        private final int digits;

        Unit(int digits) {
            this.digits = digits;
        }

        /** How many digits before the point it leaves out. */
        public int digits() {
            return digits;
        }
    }

    /** Where figures are rounded. */
    public enum Rounding {
        /** Only where they are printed: totals are exact. */
        PRINTED,
        /** At the deepest place that prints them: totals add what is printed. */
        EACH_LINE
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
