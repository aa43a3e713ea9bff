package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.choice.Direction;
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
 * @param levels the levels that are switched on, outermost first; columns and highlights likewise
 * @param layout how it stands on pages
 * @param pageFigures what texts at the edges of pages say of its rows
 */
@RecordBuilder
public record TablePlan(
        RunInputs inputs,
        BlockHeading heading,
        ReadPlan reads,
        List<LevelPlan> levels,
        List<ColumnPlan> columns,
        TotalsPlan totalling,
        List<HighlightPlan> highlights,
        RowsPlan rows,
        TableLayout layout,
        List<PageFigure> pageFigures)
        implements BlockPlan, TablePlanBuilder.With {

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
        return new Axis(pointer(), dataset(), levels, rows, inputs.locale());
    }

    /** The column that a total stands under. */
    public ColumnPlan columnOf(TotalPlan total) {
        return columns.stream()
                .filter(column -> column.id().equals(total.column()))
                .findFirst()
                .orElseThrow();
    }

    /** The index of a total in {@link #totals}. */
    public int indexOfTotal(String id) {
        return IntStream.range(0, totals().size())
                .filter(index -> totals().get(index).id().equals(id))
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
    public String id() {
        return heading.id();
    }

    @Override
    public String pointer() {
        return heading.pointer();
    }

    @Override
    public Optional<String> title() {
        return heading.title();
    }

    @Override
    public Optional<GroupText> note() {
        return heading.note();
    }

    /** Which rows it is about, in words. */
    public List<String> reach() {
        return heading.reach();
    }

    @Override
    public DatasetModel dataset() {
        return reads.dataset();
    }

    /** The conditions that its rows meet. */
    public List<FilterPlan> filters() {
        return reads.filters();
    }

    @Override
    public Set<String> fields() {
        return reads.fields();
    }

    public List<TotalPlan> totals() {
        return totalling.totals();
    }

    /** Numbers of the tables whose rows are counted beside totals. */
    public List<Integer> counted() {
        return totalling.counted();
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
    public Stream<Typed.SemiJoin> looks() {
        Stream<FilterPlan> others = totals().stream()
                .flatMap(total -> total.comparison().stream())
                .flatMap(comparison ->
                        comparison instanceof Comparison.WithPeriod days ? days.conditions().stream() : Stream.empty());
        return Stream.concat(filters().stream(), others)
                .flatMap(filter -> filter.condition().looks())
                .distinct();
    }

    /** The same plan over rows that meet other conditions. */
    public TablePlan withFilters(List<FilterPlan> others) {
        return withReads(reads.withFilters(others));
    }

    /** The same plan as a reader looks at it. */
    public TablePlan viewed(
            List<FilterPlan> otherFilters,
            List<LevelPlan> otherLevels,
            List<ColumnPlan> otherColumns,
            List<HighlightPlan> otherHighlights,
            RowsPlan otherRows) {
        return with(all -> all.reads(reads.withFilters(otherFilters))
                .levels(otherLevels)
                .columns(otherColumns)
                .highlights(otherHighlights)
                .rows(otherRows));
    }

    /** The same plan over fewer rows, which it says; what is read for it is read for the condition, too. */
    public TablePlan narrowed(FilterPlan by) {
        return withReads(reads.narrowed(by)).withHeading(heading.saying(by.words()));
    }

    /** The same plan of which those rows and groups alone are printed that are marked; it says so. No figure changes. */
    public TablePlan markedOnly() {
        return withRows(rows.markedOnly(true))
                .withHeading(heading.saying(Words.of(locale()).markedOnly()));
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
