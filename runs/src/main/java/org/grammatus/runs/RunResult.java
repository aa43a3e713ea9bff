package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.Printed;
import org.grammatus.core.definition.Report;
import org.grammatus.core.group.GroupTree;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.page.Pages;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.ResolvedPrompt;

/** What a run made: the logical result and its pages. Thread-safe. */
public record RunResult(Grouped grouped, Pages pages) {

    /** What the reader should know of the definition and of figures that could not be computed. */
    public List<Problem> notices() {
        List<Problem> notices = new ArrayList<>(grouped.plan().notices());
        notices.addAll(grouped.notices());
        return notices;
    }

    /** About how much memory it takes besides the rows it was made of, in bytes: numbers by kept row and level, figures by group. */
    public long bytes() {
        long perRow = Integer.BYTES * (2L + grouped.plan().levels().size());
        long perGroup = Long.BYTES * (4L + grouped.totals().size());
        return perRow * grouped.kept().rows().length + perGroup * grouped.tree().nodeCount();
    }

    /** What was asked, with what was answered. */
    public List<ResolvedPrompt> prompts() {
        return grouped.plan().prompts();
    }

    /** A total of the whole report in printed form, under the label of its column. */
    public record GrandTotal(String label, String figure) {}

    /** The report's own totals, in the order of their columns. */
    public List<GrandTotal> grandTotals() {
        Printed printed = new Printed(grouped);
        List<GrandTotal> totals = new ArrayList<>();
        for (int column = 0; column < grouped.plan().columns().size(); column++) {
            String label = grouped.plan().columns().get(column).definition().label();
            printed.totalAt(column, 0, Report.Place.FOOTER)
                    .ifPresent(total -> totals.add(new GrandTotal(label, printed.total(total, GroupTree.ROOT))));
        }
        return totals;
    }
}
