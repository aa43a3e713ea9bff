package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.Printed;
import org.grammatus.core.choice.Place;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.group.Grouping;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.page.Pages;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.export.Printout;

/** What a run made: the logical result and its pages, if it fits any. Thread-safe. */
public final class RunResult implements Printout {

    /** What the smallest result takes: its plan, its texts, its layout. */
    private static final long OVERHEAD = 500_000;

    private final Plan plan;
    private final RunStages.Made made;
    private final Bands bands;
    private final List<Problem> ofAnswers;
    private Pages pages;
    private List<Problem> unprintable = List.of();

    /**
     * A result that is not broken into pages yet.
     *
     * @param ofAnswers what is said of the answers
     */
    RunResult(Plan plan, RunStages.Made made, List<Problem> ofAnswers) {
        this.plan = plan;
        this.made = made;
        this.bands = Bands.of(made.grouping().grouped());
        this.ofAnswers = List.copyOf(ofAnswers);
    }

    /**
     * Breaks the result into pages, unless it is broken already. One that fits no page is a result all the same, to be had in formats
     * without pages.
     *
     * @param cancelled asked often; true ends it with a CancellationException
     * @return how many there are; 0 where the report fits none
     */
    synchronized int paginate(BooleanSupplier cancelled) {
        if (pages == null && unprintable.isEmpty()) {
            try {
                pages = Pages.of(bands, cancelled);
            } catch (ProblemException e) {
                unprintable = e.problems();
            }
        }
        return pages == null ? 0 : pages.count();
    }

    public Grouped grouped() {
        return made.grouping().grouped();
    }

    /** What stands behind the result. */
    public Grouping.Result grouping() {
        return made.grouping();
    }

    @Override
    public Bands bands() {
        return bands;
    }

    @Override
    public synchronized Pages pages() {
        if (pageCount() == 0) {
            throw new ProblemException(unprintable);
        }
        return pages;
    }

    /** How many pages there are; 0 where the report fits none. */
    public int pageCount() {
        return paginate(() -> false);
    }

    /** What the reader should know of the definition and of figures that could not be computed. */
    public synchronized List<Problem> notices() {
        List<Problem> notices = new ArrayList<>(unprintable);
        Grouped grouped = grouped();
        notices.addAll(ofAnswers);
        notices.addAll(plan.notices());
        notices.addAll(grouped.notices());
        return notices;
    }

    /** About how much memory it takes besides its rows and its groups, in bytes. */
    public long bytes() {
        return OVERHEAD + (Byte.BYTES + 2L * Integer.BYTES) * bands.size();
    }

    /** About how much memory its groups take, which several results may share: numbers by kept row and level, figures by group. */
    public long bytesOfGroups() {
        Grouped grouped = grouped();
        long perRow = Integer.BYTES * (2L + grouped.plan().levels().size());
        long perGroup = Long.BYTES * (4L + grouped.figures().totals().size());
        return perRow * grouped.rowsKept() + perGroup * grouped.tree().nodeCount();
    }

    /** How many rows it went through itself. */
    RunStages.Touched touched() {
        return made.touched();
    }

    /** What was asked, with what was answered. */
    public List<ResolvedPrompt> prompts() {
        return plan.inputs().prompts();
    }

    /** A total of the whole report in printed form, under the label of its column. */
    public record GrandTotal(String label, String figure) {}

    /** The report's own totals, in the order of their columns. */
    public List<GrandTotal> grandTotals() {
        Grouped grouped = grouped();
        Printed printed = new Printed(grouped);
        List<GrandTotal> totals = new ArrayList<>();
        for (int column = 0; column < grouped.plan().columns().size(); column++) {
            String label = grouped.plan().columns().get(column).label();
            printed.totalAt(column, 0, Place.FOOTER)
                    .ifPresent(total -> totals.add(new GrandTotal(label, printed.total(total, GroupTree.ROOT))));
        }
        return totals;
    }
}
