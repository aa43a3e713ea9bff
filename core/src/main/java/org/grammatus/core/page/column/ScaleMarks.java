package org.grammatus.core.page.column;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.choice.layout.ColumnScale;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.ColumnPlan;
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
    /** From where the second and the third step reach. */
    private final BigInteger[] edges;

    /** @param values all that are printed of the column, without those that are missing; at least one */
    private ScaleMarks(ColumnScale scale, String part, BigInteger[] values, int decimals) {
        this.part = part;
        Arrays.sort(values);
        this.kind = scale.kind();
        this.least = values[0].min(BigInteger.ZERO);
        this.most = values[values.length - 1].max(BigInteger.ZERO);
        this.edges = scale.edges()
                .map(given -> given.stream()
                        .map(edge -> edge.movePointRight(decimals).toBigInteger())
                        .toArray(BigInteger[]::new))
                .orElseGet(() -> new BigInteger[] {
                    values[values.length / 3], values[Math.min(values.length - 1, values.length * 2 / 3)]
                });
    }

    /** What is drawn beside the figures of a column; none where nothing is asked for, or nothing is printed. */
    public static Optional<ScaleMarks> of(Grouped grouped, int column) {
        ColumnPlan plan = grouped.plan().columns().get(column);
        return plan.scale().flatMap(scale -> {
            if (grouped.plan().printsRows()) {
                return plan.value().type().isNumber() ? ofRows(scale, plan.id(), grouped, column) : Optional.empty();
            }
            return grouped.plan().totals().stream()
                    .filter(total -> total.column() == column && total.type().isNumber())
                    .findFirst()
                    .flatMap(total -> ofLines(scale, total, grouped));
        });
    }

    private static Optional<ScaleMarks> ofRows(ColumnScale scale, String part, Grouped grouped, int column) {
        PrintedRows.Values own = grouped.rows().columns().get(column);
        return of(
                scale, part, own.values(), Arrays.stream(grouped.rows().order()).map(row -> own.path()[row]));
    }

    /** Where groups are lines, the first total beside them, of the innermost groups. */
    private static Optional<ScaleMarks> ofLines(ColumnScale scale, TotalPlan total, Grouped grouped) {
        GroupTree tree = grouped.tree();
        Column values = grouped.figures().totals().get(grouped.plan().totals().indexOf(total));
        IntStream nodes = IntStream.range(0, tree.nodeCount()).filter(node -> tree.depthOf(node) == tree.depths() - 1);
        return of(scale, total.id(), values, nodes);
    }

    private static Optional<ScaleMarks> of(ColumnScale scale, String part, Column column, IntStream printed) {
        BigInteger[] values =
                printed.filter(at -> !column.isNull(at)).mapToObj(column::wide).toArray(BigInteger[]::new);
        return values.length == 0
                ? Optional.empty()
                : Optional.of(new ScaleMarks(scale, part, values, column.type().scale()));
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
        return DOTS.get(size.compareTo(edges[1]) >= 0 ? 2 : size.compareTo(edges[0]) >= 0 ? 1 : 0);
    }
}
