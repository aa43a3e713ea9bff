package org.grammatus.core.group.select;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.figure.RoundedLines;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.SamePaths;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.rows.KeptRows;

/**
 * The rows beyond the limit of their groups, which stand together as the last line of each.
 *
 * @param counts by node, how many they are
 * @param totals by total of the plan and node, what they come to; none for a total that is no aggregate by itself
 */
public record OtherRows(long[] counts, List<Optional<Column>> totals) {

    /** @param standsAlone whether a node of the last depth shows its rows */
    public static OtherRows of(TablePlan plan, Figures figures, BitSet rows, IntPredicate standsAlone) {
        GroupIndex shown = figures.nodes();
        int[] left = Arrays.stream(shown.kept().rows()).filter(rows::get).toArray();
        KeptRows kept = new KeptRows(left, shown.kept().afterEach());
        GroupIndex others = GroupIndex.of(plan.axis(), shown.star(), kept, shown.folding(), new Faults(), () -> false);
        Figures theirs = new Figures(plan.axis(), others, new Faults());
        int[] matchingNode = SamePaths.ofAll(others, shown, shown::keys);
        for (int node = 0; node < matchingNode.length; node++) {
            boolean last = node >= shown.first(shown.depths() - 1);
            matchingNode[node] = last && standsAlone.test(node) ? matchingNode[node] : -1;
        }
        long[] theirCounts = theirs.aggregates().rowCounts(DatasetModel.GRAIN);
        long[] counts = new long[matchingNode.length];
        for (int node = 0; node < counts.length; node++) {
            counts[node] = matchingNode[node] < 0 ? 0 : theirCounts[matchingNode[node]];
        }
        List<Optional<Column>> totals = plan.totals().stream()
                .map(total -> isPlain(total)
                        ? Optional.of(Gathering.orNull(
                                RoundedLines.of(total, theirs.of(total.value()), plan, theirs), matchingNode))
                        : Optional.<Column>empty())
                .toList();
        return new OtherRows(counts, totals);
    }

    private static boolean isPlain(TotalPlan total) {
        return total.shown() == Shown.VALUE
                && total.comparison().isEmpty()
                && !total.value().looksOver();
    }
}
