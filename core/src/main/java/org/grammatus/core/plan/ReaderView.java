package org.grammatus.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.NumberClasses;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.OrderTerm;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportRows;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/**
 * How a reader looks at a report: an order of their own, groups narrowed to and widths of columns. It changes a report before it is planned, so
 * that everything after is computed again. Immutable.
 *
 * @param order columns to order by, first one first
 * @param only groups that rows must lie in; all of them must hold
 * @param widths widths of columns, the last one for a column holds
 * @param whole ids of levels of which every group is shown, whatever limit they have; the block's id for its rows
 * @param downTo id of the innermost level that is printed; none prints all levels, and the rows where the report prints them
 */
public record ReaderView(
        List<Sort> order, List<Only> only, List<Width> widths, List<String> whole, Optional<String> downTo) {

    /** The report as its author made it. */
    public static final ReaderView PLAIN = new ReaderView(List.of(), List.of(), List.of());

    private static final Position START = new Position(1, 1);

    public ReaderView {
        order = List.copyOf(order);
        only = List.copyOf(only);
        widths = List.copyOf(widths);
        whole = List.copyOf(whole);
    }

    /** An order, a narrowing and widths, of all that is shown. */
    public ReaderView(List<Sort> order, List<Only> only, List<Width> widths) {
        this(order, only, widths, List.of(), Optional.empty());
    }

    /** @param column a column's id */
    public record Sort(String column, Direction direction) {}

    /**
     * A group of a level, whatever its parents.
     *
     * @param level the level's id
     * @param key its key as files write it, the first day of a bucket; none for the group of blank keys
     */
    public record Only(String level, Optional<String> key) {}

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
     * The report as the reader looks at it.
     *
     * @param plan of the report as its author made it
     * @throws ProblemException if a column or level is not there, or a key does not fit
     */
    public Report applied(Plan plan) {
        Report report = plan.report();
        ReportBlock block = report.blocks().getFirst();
        List<ReportFilter> filters = new ArrayList<>(report.filters());
        for (int i = 0; i < only.size(); i++) {
            filters.add(filter(
                    "view-only-" + i, condition(level(plan, only.get(i).level()), only.get(i))));
        }
        List<ReportLevel> levels = new ArrayList<>();
        int last = downTo.map(id -> block.levels()
                        .indexOf(level(plan, id, "/view/downTo", "show").definition()))
                .orElse(Integer.MAX_VALUE);
        whole.stream()
                .filter(id -> !id.equals(block.id()))
                .forEach(id -> level(plan, id, "/view/whole", "show all groups of"));
        for (int i = 0; i < block.levels().size(); i++) {
            ReportLevel level = block.levels().get(i);
            ReportLevel seen = whole.contains(level.id()) ? level.with(level.order(), Optional.empty()) : level;
            ReportLevel ordered = ordered(seen, plan);
            levels.add(i < last ? ordered : i == last ? innermost(ordered) : unprinted(ordered));
        }
        ReportRows rows = block.rows().with(block.rows().shown() && downTo.isEmpty(), rowOrder(plan));
        ReportBlock viewed = new ReportBlock(
                block.id(),
                block.kind(),
                levels,
                widened(plan),
                block.totals(),
                block.totalsCover(),
                block.rounding(),
                block.counts(),
                block.highlights(),
                whole.contains(block.id()) ? rows.whole() : rows);
        return new Report(
                report.format(),
                report.version(),
                report.id(),
                report.title(),
                report.description(),
                report.dataset(),
                report.locale(),
                report.zone(),
                report.prompts(),
                filters,
                List.of(viewed),
                report.page());
    }

    /** A level that has nothing inside it any more stands as one line a group: its own, or that of its totals. */
    private static ReportLevel innermost(ReportLevel level) {
        return level.header() == Header.LINE ? level : level.standing(Header.NONE, Footer.TOTALS);
    }

    /** What is folded away still groups and chooses, so that the figures around it stay the same. */
    private static ReportLevel unprinted(ReportLevel level) {
        return level.standing(Header.NONE, Footer.NONE);
    }

    private static ReportFilter filter(String id, String where) {
        return new ReportFilter(
                id,
                FilterKind.EXPRESSION,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(where),
                Optional.empty());
    }

    /** A level ordered by the totals it prints under the columns asked for, or by what its lines show there. */
    private ReportLevel ordered(ReportLevel level, Plan plan) {
        List<OrderTerm> terms = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            Sort sort = order.get(i);
            ReportColumn column = column(plan, sort.column());
            Optional<String> total = plan.report().blocks().getFirst().totals().stream()
                    .filter(t -> t.column().equals(sort.column())
                            && t.cells().stream().anyMatch(cell -> cell.at().equals(level.id())))
                    .map(ReportTotal::value)
                    .findFirst();
            boolean line = level.header() == Header.LINE;
            String id = "view-order-" + level.id() + "-" + i;
            total.or(() -> line ? column.value() : Optional.empty())
                    .ifPresent(by -> terms.add(new OrderTerm(id, by, sort.direction(), Optional.empty())));
        }
        return terms.isEmpty() ? level : level.with(terms, level.limit());
    }

    private List<OrderTerm> rowOrder(Plan plan) {
        List<OrderTerm> terms = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            ReportColumn column = column(plan, order.get(i).column());
            Direction direction = order.get(i).direction();
            String id = "view-order-rows-" + i;
            column.value().ifPresent(by -> terms.add(new OrderTerm(id, by, direction, Optional.empty())));
        }
        terms.addAll(plan.report().blocks().getFirst().rows().order());
        return terms;
    }

    private List<ReportColumn> widened(Plan plan) {
        List<ReportColumn> columns =
                new ArrayList<>(plan.report().blocks().getFirst().columns());
        for (Width width : widths) {
            int points = width.points().orElse(Width.LEAST);
            if (points < Width.LEAST || points > Width.MOST) {
                throw new ProblemException(Problem.error(
                        "/view/widths",
                        "a column is from " + Width.LEAST + " to " + Width.MOST + " points wide, not " + points));
            }
            columns.replaceAll(c -> c.id().equals(width.column()) ? c.withWidth(width.points()) : c);
            column(plan, width.column(), "/view/widths", "set the width of");
        }
        return columns;
    }

    private static ReportColumn column(Plan plan, String id) {
        return column(plan, id, "/view/order", "order by");
    }

    private static ReportColumn column(Plan plan, String id, String pointer, String act) {
        return plan.report().blocks().getFirst().columns().stream()
                .filter(column -> column.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ProblemException(
                        Problem.error(pointer, "the report has no column \"" + id + "\"; " + act + " one of its own")));
    }

    private static Plan.Level level(Plan plan, String id) {
        return level(plan, id, "/view/only", "narrow to a group of");
    }

    private static Plan.Level level(Plan plan, String id, String pointer, String act) {
        return plan.levels().stream()
                .filter(level -> level.definition().id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ProblemException(
                        Problem.error(pointer, "the report has no level \"" + id + "\"; " + act + " one of its own")));
    }

    /** What a row must meet to lie in the group. */
    private static String condition(Plan.Level level, Only only) {
        String key = "(" + level.definition().key() + ")";
        if (only.key().isEmpty()) {
            return key + " IS NULL";
        }
        Type type = level.keyType();
        try {
            Scalar value = ScalarText.parse(only.key().get(), type);
            return level.coarsening()
                    .map(coarsening -> switch (coarsening) {
                        case DateBucket bucket -> inBucket(key, bucket, value);
                        case NumberClasses classes -> inClass(key, classes, value);
                    })
                    .orElseGet(() -> key + " = " + literal(value));
        } catch (IllegalArgumentException e) {
            throw new ProblemException(Problem.error("/view/only", e.getMessage()));
        }
    }

    private static String inClass(String key, NumberClasses classes, Scalar value) {
        long number = ((Scalar.Number) value).value().longValue();
        if (number < 1 || number > classes.count()) {
            throw new IllegalArgumentException("found class " + number + ", expected 1 to " + classes.count());
        }
        List<String> edges = new ArrayList<>();
        classes.above(number).ifPresent(edge -> edges.add(key + " > " + edge.toPlainString()));
        classes.upTo(number).ifPresent(edge -> edges.add(key + " <= " + edge.toPlainString()));
        return edges.isEmpty() ? key + " IS NOT NULL" : String.join(" AND ", edges);
    }

    private static String inBucket(String key, DateBucket bucket, Scalar value) {
        if (!bucket.isCyclic()) {
            long start = bucket.key(((Scalar.Date) value).value().toEpochDay());
            return key + " >= " + day(start) + " AND " + key + " < " + day(bucket.next(start));
        }
        long number = ((Scalar.Number) value).value().longValue();
        return switch (bucket.bucket()) {
            case QUARTER_OF_YEAR -> "EXTRACT(QUARTER FROM " + key + ") = " + number;
            case MONTH_OF_YEAR -> "EXTRACT(MONTH FROM " + key + ") = " + number;
            case FISCAL_MONTH -> "EXTRACT(MONTH FROM " + key + ") = " + bucket.calendarMonth(number);
            default ->
                // Days since a Monday, which leave 0 on Mondays before and after it.
                "MOD(MOD(CAST(" + key + " AS DATE) - DATE '2001-01-01', 7) + 7, 7) = " + (number - 1);
        };
    }

    private static String day(long epochDay) {
        return literal(new Scalar.Date(LocalDate.ofEpochDay(epochDay)));
    }

    private static String literal(Scalar value) {
        return ExpressionPrinter.print(new Expression.Literal(value, START));
    }
}
