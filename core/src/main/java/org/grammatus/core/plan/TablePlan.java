package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.choice.Cover;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.choice.layout.TableLayout;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.DateKeys;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.words.Words;

/**
 * A banded table, ready to be read and computed. Immutable.
 *
 * @param title what stands above it
 * @param note what stands below its title
 * @param totalText what its grand total is called; as the report's language has it unless given
 * @param filters the conditions that are left once unanswered prompts are removed, in their order
 * @param levels the levels that are switched on, outermost first; columns and highlights likewise
 * @param counted numbers of the tables whose rows are counted beside totals
 * @param cover whether totals are those of the groups and rows that are shown, or of everything
 * @param rounding where figures are rounded
 * @param layout how it stands on pages
 * @param pageFigures what texts at the edges of pages say of its rows
 * @param fields ids of the fields that must be read
 */
public record TablePlan(
        RunInputs inputs,
        String id,
        String pointer,
        Optional<String> title,
        Optional<GroupText> note,
        Optional<GroupText> totalText,
        List<String> reach,
        DatasetModel dataset,
        List<FilterPlan> filters,
        List<LevelPlan> levels,
        List<ColumnPlan> columns,
        List<TotalPlan> totals,
        List<Integer> counted,
        Cover cover,
        Rounding rounding,
        List<HighlightPlan> highlights,
        RowsPlan rows,
        TableLayout layout,
        List<PageFigure> pageFigures,
        Set<String> fields)
        implements BlockPlan {

    /** Stands for the whole report where a level's id is asked for. */
    public static final String REPORT = "report";

    /** Whether the rows themselves are printed: a report without columns has nothing to print of them. */
    public boolean printsRows() {
        return rows.shown() && !columns.isEmpty();
    }

    /** Depth of the innermost level of which anything is printed, 0 where nothing is printed of any. */
    public int innermostPrinted() {
        int depth = levels.size();
        while (depth > 0 && levels.get(depth - 1).isUnprinted()) {
            depth--;
        }
        return depth;
    }

    /** What its rows are grouped along. */
    public Axis axis() {
        return new Axis(pointer, dataset, levels, rows, inputs.locale());
    }

    /** The column that a total stands under. */
    public ColumnPlan columnOf(TotalPlan total) {
        return columns.stream()
                .filter(column -> column.id().equals(total.column()))
                .findFirst()
                .orElseThrow();
    }

    /** Id of the level of groups of a depth; {@value #REPORT} at depth 0. */
    public String levelAt(int depth) {
        return depth == 0 ? REPORT : levels.get(depth - 1).id();
    }

    /** Depth of the groups of a level that there is, 0 for {@value #REPORT}. */
    public int depthOf(String level) {
        return IntStream.rangeClosed(0, levels.size())
                .filter(depth -> levelAt(depth).equals(level))
                .findFirst()
                .orElseThrow();
    }

    @Override
    public TablePlan facts() {
        return this;
    }

    @Override
    public TablePlan with(TablePlan other) {
        return other;
    }

    /** Depth of the groups in which totals are carried from page to page, 0 for the report; none where they are not. */
    public Optional<Integer> carriedIn() {
        if (!layout.carriesTotals() || rows.limited() || !printsRows()) {
            return Optional.empty();
        }
        int depth = 0;
        for (int i = 0; i < levels.size(); i++) {
            depth = levels.get(i).print().newPage() ? i + 1 : depth;
        }
        return Optional.of(depth);
    }

    public ULocale locale() {
        return inputs.locale();
    }

    public RunContext context() {
        return inputs.context();
    }

    public List<ResolvedPrompt> prompts() {
        return inputs.prompts();
    }

    /** Everything by which its conditions look for rows of datasets. */
    public Stream<Typed.Has> looks() {
        Stream<FilterPlan> others = totals.stream()
                .flatMap(total -> total.comparison().stream())
                .flatMap(comparison ->
                        comparison instanceof Comparison.WithPeriod days ? days.conditions().stream() : Stream.empty());
        return Stream.concat(filters.stream(), others)
                .flatMap(filter -> filter.condition().looks())
                .distinct();
    }

    /** The same plan over rows that meet other conditions. */
    public TablePlan withFilters(List<FilterPlan> others) {
        return with(others, levels, columns, highlights, rows);
    }

    /** The same plan over fewer rows, which it says; what is read for it is read for the condition, too. */
    public TablePlan narrowed(FilterPlan by) {
        Set<String> read = new TreeSet<>(fields);
        by.condition().noteFields(read);
        Set<String> all = fields.containsAll(read) ? fields : Set.copyOf(read);
        return with(append(filters, by), levels, columns, highlights, rows, append(reach, by.words()), all);
    }

    /** The same plan of which those rows and groups alone are printed that are marked; it says so. No figure changes. */
    public TablePlan markedOnly() {
        return with(
                filters,
                levels,
                columns,
                highlights,
                rows.markedOnly(true),
                append(reach, Words.of(locale()).markedOnly()),
                fields);
    }

    private static <T> List<T> append(List<T> list, T last) {
        List<T> all = new ArrayList<>(list);
        all.add(last);
        return List.copyOf(all);
    }

    /** The same plan, looked at in another way. */
    public TablePlan with(
            List<FilterPlan> otherFilters,
            List<LevelPlan> otherLevels,
            List<ColumnPlan> otherColumns,
            List<HighlightPlan> otherHighlights,
            RowsPlan otherRows) {
        return with(otherFilters, otherLevels, otherColumns, otherHighlights, otherRows, reach, fields);
    }

    private TablePlan with(
            List<FilterPlan> otherFilters,
            List<LevelPlan> otherLevels,
            List<ColumnPlan> otherColumns,
            List<HighlightPlan> otherHighlights,
            RowsPlan otherRows,
            List<String> otherReach,
            Set<String> otherFields) {
        return new TablePlan(
                inputs,
                id,
                pointer,
                title,
                note,
                totalText,
                otherReach,
                dataset,
                otherFilters,
                otherLevels,
                otherColumns,
                totals,
                counted,
                cover,
                rounding,
                otherHighlights,
                otherRows,
                layout,
                pageFigures,
                otherFields);
    }

    /** A text about a group, or about all rows, piece by piece. */
    public record GroupText(List<TextPart> parts) {

        /** The same without its words. */
        GroupText unprinted() {
            return new GroupText(parts.stream()
                    .map(part -> part instanceof TextPart.Literal ? new TextPart.Literal("") : part)
                    .toList());
        }
    }

    /** A piece of a group's text. */
    public sealed interface TextPart {
        record Literal(String text) implements TextPart {}

        /** The group's own label. */
        record GroupLabel() implements TextPart {}

        /**
         * A value.
         *
         * @param overScope whether it is computed over the group's rows, rather than read from its first row
         */
        record Figure(Typed value, boolean overScope, String format) implements TextPart {}
    }

    /**
     * One key of an order.
     *
     * @param overScope whether it is computed over a group's rows, rather than read from its first row
     * @param acrossReport whether it is computed over all groups of a key, whatever their parents
     * @param bucket of a date, the span or the place in a cycle by which it is put in order
     */
    public record Term(
            Typed by, boolean overScope, Direction direction, boolean acrossReport, Optional<DateBucket> bucket) {

        /** A term of the values themselves. */
        public Term(Typed by, boolean overScope, Direction direction, boolean acrossReport) {
            this(by, overScope, direction, acrossReport, Optional.empty());
        }

        /** What stands in order: the values, or of dates the spans in which they lie. */
        public Column keys(Column values) {
            return bucket.map(of -> DateKeys.of((Column.Longs) values, of)).orElse(values);
        }
    }

    /** What a total is compared with. */
    public sealed interface Comparison {

        Compared shown();

        /** Another aggregate of the same rows. */
        record WithPlan(Typed plan, Compared shown) implements Comparison {}

        /**
         * The same aggregate of another time.
         *
         * @param date id of the date field that tells the time
         * @param with which time
         * @param cut whether the other time ends on the day that answers to the business date
         * @param prompt name of the prompt whose period filters the date, where there is one
         */
        record WithTime(String date, ComparedWith with, boolean cut, Optional<String> prompt, Compared shown)
                implements Comparison {}

        /**
         * The same aggregate of other days.
         *
         * @param date id of the date field that tells the time
         * @param prompt name of the prompt that asks for them
         * @param conditions what keeps their rows, in the place of the plan's own
         */
        record WithPeriod(String date, String prompt, List<FilterPlan> conditions, Compared shown)
                implements Comparison {}
    }
}
