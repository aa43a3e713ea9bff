package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.choice.Place;
import org.grammatus.core.group.GroupAddresses;
import org.grammatus.core.group.TableResult;
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
    private final List<BlockResult> blocks;
    private final List<Problem> ofAnswers;
    private Pages pages;
    private List<Problem> unprintable = List.of();

    /**
     * A result that is not broken into pages yet.
     *
     * @param made by table, in reading order
     * @param ofAnswers what is said of the answers
     */
    RunResult(Plan plan, List<RunStages.Made> made, List<Problem> ofAnswers) {
        this.plan = plan;
        this.ofAnswers = List.copyOf(ofAnswers);
        List<BlockResult> found = new ArrayList<>();
        int places = 0;
        for (RunStages.Made each : made) {
            Bands bands =
                    Bands.of(plan.blocks().get(found.size()), each.grouping().grouped(), found.isEmpty());
            BlockResult table = new BlockResult(found.size(), places, each, bands);
            found.add(table);
            places += table.places();
        }
        this.blocks = List.copyOf(found);
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
                pages = Pages.of(blocks(), plan.rows(), cancelled);
            } catch (ProblemException e) {
                unprintable = e.problems();
            }
        }
        return pages == null ? 0 : pages.count();
    }

    /** What it is the result of. */
    Plan plan() {
        return plan;
    }

    /** Its blocks, in reading order. */
    public List<BlockResult> results() {
        return blocks;
    }

    /** Its first block. */
    public BlockResult first() {
        return blocks.getFirst();
    }

    /**
     * A group that is shown.
     *
     * @param table that it stands in
     * @param node its number there
     */
    record At(BlockResult table, int node) {}

    /** The group at an address; none where there is no such group. */
    Optional<At> at(GroupAddress address) {
        return blocks.stream()
                .flatMap(table -> new GroupAddresses(table.grouped())
                        .find(address).stream().mapToObj(node -> new At(table, node)))
                .findFirst();
    }

    /** The result of a report's first table. */
    public TableResult grouped() {
        return first().grouped();
    }

    /** How many rows its fullest table keeps. */
    public int rowsKept() {
        return blocks.stream()
                .mapToInt(table -> table.grouped().rowsKept())
                .max()
                .orElse(0);
    }

    /** How many groups all blocks have. */
    public int groupCount() {
        return blocks.stream().mapToInt(table -> table.places() - 1).sum();
    }

    @Override
    public List<Bands> blocks() {
        return blocks.stream().map(BlockResult::bands).toList();
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
        notices.addAll(ofAnswers);
        notices.addAll(plan.notices());
        blocks.forEach(table -> notices.addAll(table.grouped().notices()));
        return notices;
    }

    /** About how much memory it takes besides its rows and its groups, in bytes. */
    public long bytes() {
        long bands = blocks.stream().mapToLong(table -> table.bands().size()).sum();
        return OVERHEAD + (Byte.BYTES + 2L * Integer.BYTES) * bands;
    }

    /** About how much memory a table's groups take, which several results may share: numbers by kept row and level, figures by group. */
    static long bytesOfGroups(TableResult grouped) {
        long perRow = Integer.BYTES * (2L + grouped.plan().levels().size());
        long perGroup = Long.BYTES * (4L + grouped.figures().totals().size());
        return perRow * grouped.rowsKept() + perGroup * grouped.tree().nodeCount();
    }

    /** How many rows it went through itself. */
    RunStages.Touched touched() {
        long filtered = blocks.stream()
                .mapToLong(table -> table.made().touched().filtered())
                .sum();
        long grouped = blocks.stream()
                .mapToLong(table -> table.made().touched().grouped())
                .sum();
        return new RunStages.Touched(filtered, grouped);
    }

    /** What was asked, with what was answered. */
    public List<ResolvedPrompt> prompts() {
        return plan.inputs().prompts();
    }

    /**
     * A total of a whole table in printed form, under the label of its column.
     *
     * @param block the table's id
     * @param title what the table is called; empty where nothing
     * @param name what the table calls its grand total
     */
    public record GrandTotal(String block, String title, String name, String label, String figure) {}

    /** The grand totals of its blocks, in the order of their columns. */
    public List<GrandTotal> grandTotals() {
        List<GrandTotal> totals = new ArrayList<>();
        for (BlockResult table : blocks) {
            TableResult grouped = table.grouped();
            BandTexts printed = new BandTexts(grouped);
            for (PrintedColumn column : printed.columns()) {
                String label = column.plan().label();
                printed.totalAt(column, 0, Place.FOOTER)
                        .ifPresent(total -> totals.add(new GrandTotal(
                                grouped.plan().id(),
                                grouped.plan().title().orElse(""),
                                printed.totalName(GroupTree.ROOT),
                                label,
                                printed.total(total, GroupTree.ROOT))));
            }
        }
        return totals;
    }
}
