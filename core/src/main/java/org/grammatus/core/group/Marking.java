package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Reach;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.window.PrintedGroupScope;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.TablePlan;

/** Finds what highlights mark. */
final class Marking {

    private final TablePlan plan;
    private final Star star;
    private final GroupIndex nodes;
    private final Homes homes;
    private final Faults faults;
    private final BesideGroups beside;
    private final EvaluationContext printedRows;
    private final PrintedGroupScope groups;

    /**
     * @param printedRows the rows with the groups around them
     * @param groups the groups in printed order
     */
    Marking(
            TablePlan plan,
            Figures figures,
            Faults faults,
            BesideGroups beside,
            EvaluationContext printedRows,
            PrintedGroupScope groups) {
        this.plan = plan;
        this.nodes = figures.nodes();
        this.star = nodes.star();
        this.homes = new Homes(plan.dataset());
        this.faults = faults;
        this.beside = beside;
        this.printedRows = printedRows;
        this.groups = groups;
    }

    Marks marks(int[] rows) {
        List<BitSet> markedRows = new ArrayList<>();
        List<BitSet> markedNodes = new ArrayList<>();
        boolean rowsShown = plan.printsRows();
        for (HighlightPlan highlight : plan.highlights()) {
            boolean ofRows = highlight.target().of() == Reach.ROW && rowsShown && !highlight.overScope();
            markedRows.add(ofRows ? markedRows(highlight, rows) : new BitSet());
            markedNodes.add(ofRows ? new BitSet() : markedGroups(highlight));
        }
        return Marks.inOrder(plan.highlights(), markedRows, markedNodes);
    }

    private BitSet markedRows(HighlightPlan highlight, int[] rows) {
        boolean over = highlight.when().looksOver();
        int home = over ? DatasetModel.GRAIN : homes.orGrain(highlight.when());
        EvaluationContext frame = over ? printedRows : star.at(home);
        long[] truth = ((Column.Longs) Evaluator.evaluate(highlight.when(), frame, faults)).values();
        int[] path = star.path(DatasetModel.GRAIN, home);
        BitSet marked = new BitSet();
        for (int row : rows) {
            if (truth[path[row]] == 1) {
                marked.set(row);
            }
        }
        return marked;
    }

    /** The groups for which a condition holds: those of its level, or those that are printed as lines. */
    private BitSet markedGroups(HighlightPlan highlight) {
        BitSet marked = new BitSet();
        Optional<String> only = highlight.target().level();
        for (int depth = 0; depth < nodes.depths(); depth++) {
            boolean isLine = depth > 0 && plan.levels().get(depth - 1).print().header() == Header.LINE;
            if (only.isEmpty() ? isLine : only.get().equals(plan.levelAt(depth))) {
                markedGroups(highlight, depth, marked);
            }
        }
        return marked;
    }

    /** A condition on rows is read from the group's first row. */
    private void markedGroups(HighlightPlan highlight, int depth, BitSet marked) {
        int first = nodes.first(depth);
        int offset = highlight.overScope() ? 0 : first;
        Column truth = highlight.overScope()
                ? groups.of(highlight.when())
                : beside.atFirstRow(highlight.when(), depth, "a highlight");
        for (int node = first; node < nodes.first(depth + 1); node++) {
            if (((Column.Longs) truth).values()[node - offset] == 1) {
                marked.set(node);
            }
        }
    }
}
