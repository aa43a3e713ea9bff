package org.grammatus.benchmarks;

import java.math.BigDecimal;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.value.Scalar;

/**
 * Groups order lines by region, apiary and order, sums every level and orders each inside its parent by its own sum: ours and
 * the anchor in turn, the medians and their ratio. Both answers are compared row by row first.
 */
final class GroupAndOrder {

    private GroupAndOrder() {}

    static void run(int[] sizes) throws Exception {
        System.out.printf(
                "%-26s %12s %12s %8s %14s%n", "group and order", "ours s", "DuckDB s", "ratio", "bytes a line");
        for (int size : sizes) {
            Lines lines = Lines.generate(size);
            compare(lines, "%,d lines, in order".formatted(lines.count()));
            compare(lines.shuffled(), "%,d lines, shuffled".formatted(lines.count()));
        }
    }

    private static void compare(Lines lines, String name) throws Exception {
        OurEngine engine = new OurEngine(lines);
        try (DuckDbAnchor anchor = new DuckDbAnchor(lines, "group-and-order.sql")) {
            requireSameRows(engine.run(), anchor);
            Pairs pairs = Pairs.of(engine::run, anchor::firstRow);
            System.out.printf(
                    "%-26s %12.3f %12.3f %7.1fx %14d%n",
                    name,
                    pairs.ours(),
                    pairs.theirs(),
                    pairs.theirs() / pairs.ours(),
                    bytesHeld(lines) / lines.count());
        }
    }

    private static long bytesHeld(Lines lines) {
        return 3L * Integer.BYTES * lines.count() + (long) Long.BYTES * lines.count();
    }

    private static void requireSameRows(TableResult grouped, DuckDbAnchor anchor) throws Exception {
        GroupTree tree = grouped.tree();
        Column orders = grouped.groups().keys().get(3).orElseThrow();
        int[] place = {0};
        anchor.forEach((region, apiary, order, net) -> {
            do {
                place[0]++;
            } while (tree.depthOf(tree.nodeAt(place[0])) < 3);
            int node = tree.nodeAt(place[0]);
            Scalar ourOrder = Scalars.at(orders, grouped.groups().within(node));
            Scalar ourNet = Scalars.at(grouped.figures().totals().getFirst(), node);
            boolean same = ourOrder.equals(new Scalar.Text(order))
                    && ourNet instanceof Scalar.Number number
                    && number.value().equals(BigDecimal.valueOf(net, 2));
            if (!same) {
                throw new IllegalStateException(
                        "Place " + place[0] + ": ours " + ourOrder + " " + ourNet + ", theirs " + order + " " + net);
            }
        });
        if (place[0] != tree.nodeCount() - 1) {
            throw new IllegalStateException("Ours has more rows than theirs");
        }
    }
}
