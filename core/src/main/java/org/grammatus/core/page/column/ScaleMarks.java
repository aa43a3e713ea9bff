package org.grammatus.core.page.column;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.choice.layout.ColumnScale;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TotalPlan;

/** How large the figures of a column are beside each other, over all pages: what its bars and steps are measured by. */
public final class ScaleMarks {

    /** A tint that a figure is read on, and that is told from the paper in print without colour. */
    public static final String TINT = "#d4dadd";

    /** The least width in which a bar is told from another. */
    public static final int LEAST_BAR = 6_000;

    private static final List<String> DOTS = List.of("•", "••", "•••");

    private final ColumnScale.Kind kind;
    /** Id of the column or total that is drawn. */
    private final String part;

    private final BigInteger least;
    private final BigInteger most;
    /** By the group in which steps are told apart: from where the second and the third step reach. */
    private final Map<Integer, BigInteger[]> edges;

    private final IntUnaryOperator scopeOf;

    /**
     * Measures values.
     *
     * @param values by group: all that are printed of the column in it, without those that are missing; at least one in all
     * @param scopeOf of a node: the group in which it is told apart from others
     */
    private ScaleMarks(
            ColumnScale scale,
            String part,
            Map<Integer, List<BigInteger>> values,
            int decimals,
            IntUnaryOperator scopeOf) {
        this.part = part;
        this.kind = scale.kind();
        this.scopeOf = scopeOf;
        this.least = values.values().stream().flatMap(List::stream).reduce(BigInteger.ZERO, BigInteger::min);
        this.most = values.values().stream().flatMap(List::stream).reduce(BigInteger.ZERO, BigInteger::max);
        this.edges = new HashMap<>();
        Optional<BigInteger[]> given = scale.edges()
                .map(all -> all.stream()
                        .map(edge -> edge.movePointRight(decimals).toBigInteger())
                        .toArray(BigInteger[]::new));
        values.forEach((scope, own) -> edges.put(scope, given.orElseGet(() -> thirds(own))));
    }

    private static BigInteger[] thirds(List<BigInteger> values) {
        BigInteger[] sorted = values.stream().sorted().toArray(BigInteger[]::new);
        return new BigInteger[] {sorted[sorted.length / 3], sorted[Math.min(sorted.length - 1, sorted.length * 2 / 3)]};
    }

    /** What is drawn beside the figures of a column; none where nothing is asked for, or nothing is printed. */
    public static Optional<ScaleMarks> of(TableResult grouped, PrintedColumn column) {
        ColumnPlan plan = column.plan();
        return plan.print().scale().flatMap(scale -> {
            if (grouped.plan().printsRows()) {
                return plan.value().type().isNumber() ? ofRows(scale, column, grouped) : Optional.empty();
            }
            return grouped.plan().totals().stream()
                    .filter(total ->
                            total.column().equals(column.id()) && total.type().isNumber())
                    .findFirst()
                    .flatMap(total -> ofLines(scale, total, grouped));
        });
    }

    private static Optional<ScaleMarks> ofRows(ColumnScale scale, PrintedColumn column, TableResult grouped) {
        PrintedRows.Values own = column.rows().orElseThrow();
        PrintedRows rows = grouped.rows();
        IntUnaryOperator scopeOf = scopes(scale, grouped);
        Map<Integer, List<BigInteger>> values = new HashMap<>();
        for (int place = 0; place + 1 < rows.starts().length; place++) {
            for (int i = rows.starts()[place]; i < rows.starts()[place + 1]; i++) {
                add(
                        values,
                        scopeOf.applyAsInt(grouped.tree().nodeAt(place)),
                        own.values(),
                        own.path()[rows.order()[i]]);
            }
        }
        return of(scale, column.id(), values, own.values(), scopeOf);
    }

    /** Where groups are lines, the first total beside them, of the innermost groups. */
    private static Optional<ScaleMarks> ofLines(ColumnScale scale, TotalPlan total, TableResult grouped) {
        GroupTree tree = grouped.tree();
        Column figures = grouped.figures().totals().get(grouped.plan().totals().indexOf(total));
        IntUnaryOperator scopeOf = scopes(scale, grouped);
        Map<Integer, List<BigInteger>> values = new HashMap<>();
        IntStream.range(0, tree.nodeCount())
                .filter(node -> tree.depthOf(node) == tree.depths() - 1)
                .forEach(node -> add(values, scopeOf.applyAsInt(node), figures, node));
        return of(scale, total.id(), values, figures, scopeOf);
    }

    private static void add(Map<Integer, List<BigInteger>> values, int scope, Column column, int at) {
        if (!column.isNull(at)) {
            values.computeIfAbsent(scope, key -> new ArrayList<>()).add(column.wide(at));
        }
    }

    private static Optional<ScaleMarks> of(
            ColumnScale scale,
            String part,
            Map<Integer, List<BigInteger>> values,
            Column column,
            IntUnaryOperator scopeOf) {
        return values.isEmpty()
                ? Optional.empty()
                : Optional.of(new ScaleMarks(scale, part, values, column.type().scale(), scopeOf));
    }

    /** Of a node the group in which it is told apart from others: of the scale's level, or the report. */
    private static IntUnaryOperator scopes(ColumnScale scale, TableResult grouped) {
        List<LevelPlan> levels = grouped.plan().levels();
        int depth = IntStream.rangeClosed(1, levels.size())
                .filter(d -> scale.within().equals(Optional.of(levels.get(d - 1).id())))
                .findFirst()
                .orElse(0);
        GroupTree tree = grouped.tree();
        return node -> tree.depthOf(node) < depth ? GroupTree.ROOT : tree.ancestor(node, depth);
    }

    /** Whether a value is one of those that are drawn. */
    public boolean isDrawn(BandCell.Value value) {
        return value.part().equals(part)
                && value.said().isEmpty()
                && !value.values().isNull(value.at());
    }

    public boolean isBar() {
        return kind == ColumnScale.Kind.BAR;
    }

    /** From where to where a figure's bar reaches, in a width: from zero, which stands where all bars have it. */
    public int[] bar(BandCell.Value value, int width) {
        int zero = share(BigInteger.ZERO, width);
        int end = share(value.values().wide(value.at()), width);
        return new int[] {Math.min(zero, end), Math.max(zero, end)};
    }

    private int share(BigInteger value, int width) {
        BigInteger all = most.subtract(least);
        if (all.signum() == 0) {
            return 0;
        }
        BigInteger within = value.max(least).min(most).subtract(least);
        return new BigDecimal(within.multiply(BigInteger.valueOf(width)))
                .divide(new BigDecimal(all), RoundingMode.HALF_UP)
                .intValue();
    }

    public static String widestDots() {
        return DOTS.getLast();
    }

    /** One, two or three dots. */
    public String dots(BandCell.Value value) {
        BigInteger size = value.values().wide(value.at());
        BigInteger[] own = edges.get(scopeOf.applyAsInt(value.node()));
        return DOTS.get(size.compareTo(own[1]) >= 0 ? 2 : size.compareTo(own[0]) >= 0 ? 1 : 0);
    }
}
