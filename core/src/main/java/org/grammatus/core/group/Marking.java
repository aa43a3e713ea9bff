package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.grammatus.core.choice.Header;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.tree.Nodes;
import org.grammatus.core.group.window.PrintedGroups;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.TablePlan;

/** Finds what highlights mark. */
final class Marking {

    private final TablePlan plan;
    private final Star star;
    private final Nodes nodes;
    private final Homes homes;
    private final Faults faults;
    private final BesideGroups beside;
    private final EvaluationContext printedRows;
    private final PrintedGroups groups;

    /**
     * @param printedRows the rows with the groups around them
     * @param groups the groups in printed order
     */
    Marking(Figures figures, Faults faults, BesideGroups beside, EvaluationContext printedRows, PrintedGroups groups) {
        this.plan = figures.plan();
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
            markedRows.add(highlight.overScope() || !rowsShown ? new BitSet() : markedRows(highlight, rows));
            markedNodes.add(highlight.overScope() || !rowsShown ? markedLines(highlight) : new BitSet());
        }
        return Marks.firstWins(markedRows, markedNodes);
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

    /** The groups printed as lines for which a condition holds; one on rows is read from the group's first row. */
    private BitSet markedLines(HighlightPlan highlight) {
        BitSet marked = new BitSet();
        for (int depth = 1; depth < nodes.depths(); depth++) {
            if (plan.levels().get(depth - 1).header() != Header.LINE) {
                continue;
            }
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
        return marked;
    }
}
