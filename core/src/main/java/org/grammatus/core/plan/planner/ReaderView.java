package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Reach;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.ColumnOrder;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.RowsPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Kind;

/**
 * How a reader looks at a report: an order of their own, groups and values narrowed to and widths of columns. It changes a plan:
 * an order asked for by a column means the totals and lines under it, here and nowhere else. Immutable.
 *
 * @param order columns to order by, first one first
 * @param only groups that rows must lie in; all of them must hold
 * @param narrow values of printed fields that rows must have; all of them must hold
 * @param widths widths of columns, the last one for a column holds
 * @param whole ids of levels of which every group is shown, whatever limit they have; the block's id for its rows
 * @param downTo id of the innermost level that is printed; none prints all levels, and the rows where the report prints them
 * @param markedOnly whether only what is marked is printed, in tables that mark something
 */
public record ReaderView(
        List<Sort> order,
        List<Only> only,
        List<Narrow> narrow,
        List<Width> widths,
        List<String> whole,
        Optional<String> downTo,
        boolean markedOnly) {

    /** The report as its author made it. */
    public static final ReaderView PLAIN = new ReaderView(List.of(), List.of(), List.of());

    public ReaderView {
        order = List.copyOf(order);
        only = List.copyOf(only);
        narrow = List.copyOf(narrow);
        widths = List.copyOf(widths);
        whole = List.copyOf(whole);
    }

    /** An order, a narrowing and widths, of all that is shown. */
    public ReaderView(List<Sort> order, List<Only> only, List<Width> widths) {
        this(order, only, widths, List.of(), Optional.empty());
    }

    /** The same, of which some is shown whole, or nothing inside a level. */
    public ReaderView(
            List<Sort> order, List<Only> only, List<Width> widths, List<String> whole, Optional<String> downTo) {
        this(order, only, List.of(), widths, whole, downTo, false);
    }

    /** The same, narrowed to some groups more. */
    public ReaderView andOnly(List<Only> more) {
        return new ReaderView(
                order, Stream.concat(only.stream(), more.stream()).toList(), narrow, widths, whole, downTo, markedOnly);
    }

    /** @param column a column's id */
    public record Sort(String column, Direction direction) {}

    /**
     * A group of a level, whatever its parents.
     *
     * @param level the level's id
     * @param key its key as files write it, the first day of a bucket; none for the group of blank keys
     * @param except whether all but the group is kept
     * @param everywhere whether every block is narrowed that is over the level's dataset, not its own alone
     */
    public record Only(String level, Optional<String> key, boolean except, boolean everywhere) {

        /** The group alone, in its own block. */
        public Only(String level, Optional<String> key) {
            this(level, key, false, false);
        }
    }

    /**
     * Values of a field that a table prints.
     *
     * @param block id of the block that is narrowed; all that are over the field's dataset unless given
     * @param values those that rows must have, as answers to a prompt of its kind are written
     */
    public record Narrow(Optional<String> block, String field, String values) {

        /** The table that it is of: the block it names, or the first that prints the field; the first of all where none does. */
        public TablePlan of(List<TablePlan> tables) {
            return tables.stream()
                    .filter(table -> block.map(table.id()::equals)
                            .orElseGet(() -> PrintedField.of(table).stream()
                                    .anyMatch(printed -> printed.id().equals(field))))
                    .findFirst()
                    .orElse(tables.getFirst());
        }
    }

    /**
     * How wide a column is.
     *
     * @param column a column's id
     * @param points none to fit what is printed
     */
    public record Width(String column, Optional<Integer> points) {

        /** The widths that a definition allows too. */
        public static final int LEAST = 10, MOST = 1000;
    }

    public boolean isPlain() {
        return equals(PLAIN);
    }

    /**
     * A plan as the reader looks at it: what it reads and how it groups stay what they are, unless the reader narrows it.
     *
     * @throws ProblemException if a column or level is not there, a key does not fit, or nothing can be ordered by a column
     */
    public Plan applied(Plan plan) {
        if (isPlain()) {
            return plan;
        }
        List<TablePlan> tables = plan.blocks().stream().map(BlockPlan::facts).toList();
        List<Narrowing> everywhere = Stream.concat(
                        only.stream()
                                .filter(Only::everywhere)
                                .map(group -> Narrowing.of(group, ofLevel(group.level(), tables))),
                        narrow.stream()
                                .filter(wanted -> wanted.block().isEmpty())
                                .map(wanted -> Narrowing.of(wanted, wanted.of(tables))))
                .toList();
        return plan.withFacts(
                table -> Narrowing.applied(everywhere, about(table, tables).applied(table)));
    }

    /**
     * What of the view is about a table: ids are unique in a report, so that each is of one. What is about none is left to the first, which
     * says so.
     */
    private ReaderView about(TablePlan table, List<TablePlan> all) {
        Predicate<String> own =
                id -> has(table, id) || table == all.getFirst() && all.stream().noneMatch(other -> has(other, id));
        return new ReaderView(
                order.stream().filter(sort -> own.test(sort.column())).toList(),
                only.stream()
                        .filter(group -> !group.everywhere() && own.test(group.level()))
                        .toList(),
                narrow.stream()
                        .filter(wanted -> wanted.block().filter(own).isPresent())
                        .toList(),
                widths.stream().filter(width -> own.test(width.column())).toList(),
                whole.stream().filter(own).toList(),
                downTo.filter(own),
                markedOnly);
    }

    /** The table that has a level; the first where none has. */
    private static TablePlan ofLevel(String level, List<TablePlan> tables) {
        return tables.stream().filter(table -> has(table, level)).findFirst().orElse(tables.getFirst());
    }

    private static boolean has(TablePlan table, String id) {
        return table.id().equals(id)
                || table.columns().stream().anyMatch(column -> column.id().equals(id))
                || table.levels().stream().anyMatch(level -> level.id().equals(id));
    }

    private TablePlan applied(TablePlan table) {
        Names names = PlanNames.of(table);
        int last = downTo.map(id -> table.levels().indexOf(level(table, id, "/view/downTo", "show")))
                .orElse(Integer.MAX_VALUE);
        whole.stream()
                .filter(id -> !id.equals(table.id()))
                .forEach(id -> level(table, id, "/view/whole", "show all groups of"));
        List<LevelPlan> levels = new ArrayList<>();
        for (int i = 0; i < table.levels().size(); i++) {
            LevelPlan level = table.levels().get(i);
            LevelPlan seen = ordered(whole.contains(level.id()) ? level.whole() : level, i, table);
            levels.add(i < last ? seen : i == last ? innermost(seen) : unprinted(seen));
        }
        boolean shown = table.rows().shown() && downTo.isEmpty();
        RowsPlan rows = table.rows().with(shown, rowOrder(table));
        List<HighlightPlan> highlights = shown == table.rows().shown()
                ? table.highlights()
                : table.highlights().stream()
                        .flatMap(rule -> HighlightPlanning.withoutRows(rule, names).stream())
                        .toList();
        TablePlan narrowed = Narrowing.applied(
                Stream.concat(
                                only.stream().map(group -> Narrowing.of(group, table)),
                                narrow.stream().map(wanted -> Narrowing.of(wanted, table)))
                        .toList(),
                table);
        TablePlan seen = narrowed.viewed(
                narrowed.filters(),
                List.copyOf(levels),
                widened(table),
                highlights,
                whole.contains(table.id()) ? rows.whole() : rows);
        // Key figures stay, marked or not.
        boolean hides =
                markedOnly && highlights.stream().anyMatch(rule -> rule.target().of() != Reach.FIGURE);
        return hides ? seen.markedOnly() : seen;
    }

    /** A level that has nothing inside it any more stands as one line a group: its own, or that of its totals. */
    private static LevelPlan innermost(LevelPlan level) {
        return level.print().header() == Header.LINE ? level : level.standing(Header.NONE, Footer.TOTALS);
    }

    /** What is folded away still groups and chooses, so that the figures around it stay the same. */
    private static LevelPlan unprinted(LevelPlan level) {
        return level.standing(Header.NONE, Footer.NONE);
    }

    /** A level ordered by the totals it prints under the columns asked for, or by what its lines show there. */
    private LevelPlan ordered(LevelPlan level, int index, TablePlan table) {
        List<TablePlan.Term> terms = new ArrayList<>();
        for (Sort sort : order) {
            ColumnPlan column = column(table, sort.column(), "/view/order", "order by");
            ColumnOrder.by(table, index, column)
                    .ifPresent(by ->
                            terms.add(term(by, sort, column, table.dataset().calendar())));
        }
        return terms.isEmpty() ? level : level.ordered(List.copyOf(terms));
    }

    private List<TablePlan.Term> rowOrder(TablePlan table) {
        List<TablePlan.Term> terms = new ArrayList<>();
        for (Sort sort : order) {
            ColumnPlan column = column(table, sort.column(), "/view/order", "order by");
            if (column.value().looksOver()) {
                throw new ProblemException(Problem.error(
                        "/view/order",
                        "the column \"" + column.label()
                                + "\" looks at the groups around a row; order by one that does not"));
            }
            if (column.text().isPresent()) {
                terms.add(term(column.value(), sort, column, table.dataset().calendar()));
            }
        }
        terms.addAll(table.rows().order());
        return List.copyOf(terms);
    }

    /** Of a moment of which the column prints the day alone, the day: rows that look alike stand by what comes next. */
    private static Optional<DateBucket> day(Typed by, ColumnPlan column, FiscalCalendar calendar) {
        return by.type().kind() == Kind.TIMESTAMP
                        && Formats.printsDayAlone(column.format().pattern())
                ? Optional.of(new DateBucket(Bucket.DAY, calendar))
                : Optional.empty();
    }

    private static TablePlan.Term term(Typed by, Sort sort, ColumnPlan column, FiscalCalendar calendar) {
        if (by.stepping().findAny().isPresent()) {
            throw new ProblemException(
                    Problem.error(
                            "/view/order",
                            "the column \"" + column.label()
                                    + "\" steps over groups in printed order, and an order cannot depend on the order that it makes"));
        }
        return new TablePlan.Term(by, by.aggregates(), sort.direction(), false, day(by, column, calendar));
    }

    private List<ColumnPlan> widened(TablePlan table) {
        List<ColumnPlan> columns = new ArrayList<>(table.columns());
        for (Width width : widths) {
            int points = width.points().orElse(Width.LEAST);
            if (points < Width.LEAST || points > Width.MOST) {
                throw new ProblemException(Problem.error(
                        "/view/widths",
                        "a column is from " + Width.LEAST + " to " + Width.MOST + " points wide, not " + points));
            }
            column(table, width.column(), "/view/widths", "set the width of");
            columns.replaceAll(c -> c.id().equals(width.column()) ? c.withWidth(width.points()) : c);
        }
        return List.copyOf(columns);
    }

    private static ColumnPlan column(TablePlan table, String id, String pointer, String act) {
        return table.columns().stream()
                .filter(column -> column.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ProblemException(
                        Problem.error(pointer, "the report has no column \"" + id + "\"; " + act + " one of its own")));
    }

    static LevelPlan level(TablePlan table, String id, String pointer, String act) {
        return table.levels().stream()
                .filter(level -> level.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ProblemException(
                        Problem.error(pointer, "the report has no level \"" + id + "\"; " + act + " one of its own")));
    }
}
