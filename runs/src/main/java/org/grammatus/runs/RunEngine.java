package org.grammatus.runs;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.runs.profile.UnknownAnswers;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Reading;

/** Carries out a run step by step: definition and answers, plan, rows, groups, bands, pages. What one run made of rows serves others that need the same. Thread-safe. */
public final class RunEngine {

    private final RunLimits limits;
    private final RunStages stages = new RunStages();

    public RunEngine(RunLimits limits) {
        this.limits = limits;
    }

    /**
     * Runs a report to the end.
     *
     * @param listener told of each step, on the calling thread
     * @param cancelled asked often; true ends the run
     * @param turn waits for a turn at computing, once the rows are there
     * @throws ProblemException if the definition, the answers or a limit stand in the way
     * @throws org.grammatus.sources.SourceException if the rows cannot be read
     * @throws CancellationException if it was cancelled
     */
    public RunResult run(
            RunRequest request,
            DatasetReader reader,
            Consumer<RunProgress> listener,
            BooleanSupplier cancelled,
            Supplier<? extends AutoCloseable> turn) {
        BooleanSupplier ended = orTooLong(cancelled);
        Plan plan = request.plan();
        Rows rows = read(plan, reader, listener, ended);
        try (AutoCloseable computing = turn.get()) {
            RunResult result = grouped(plan, rows, reader, ended);
            int pages = result.paginate(ended);
            listener.accept(new RunProgress(
                    RunState.DONE, rows.count(), result.rowsKept(), result.groupCount(), pages, result.notices()));
            return result;
        } catch (RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new IllegalStateException("A turn could not be given back", e);
        }
    }

    /** Runs a report to the end on the calling thread alone. */
    public RunResult run(
            RunRequest request, DatasetReader reader, Consumer<RunProgress> listener, BooleanSupplier cancelled) {
        return run(request, reader, listener, cancelled, () -> () -> {});
    }

    /** Runs a report on the calling thread as far as its figures: pages are made when a format asks for them. */
    public RunResult compute(RunRequest request, DatasetReader reader) {
        BooleanSupplier ended = orTooLong(() -> false);
        Plan plan = request.plan();
        return grouped(plan, read(plan, reader, progress -> {}, ended), reader, ended);
    }

    private BooleanSupplier orTooLong(BooleanSupplier cancelled) {
        long deadline = System.nanoTime() + limits.longest().toNanos();
        return () -> {
            if (System.nanoTime() > deadline) {
                throw new ProblemException(Problem.error(
                        "",
                        "the run took longer than " + limits.longest().toMinutes() + " minutes; narrow its answers"));
            }
            return cancelled.getAsBoolean();
        };
    }

    /** The rows of a plan's datasets, by the dataset. */
    private record Rows(Map<Dataset, Star> byDataset) {

        Star of(BlockPlan block) {
            return of(block.dataset());
        }

        Star of(DatasetModel dataset) {
            return byDataset.get(dataset.asRead());
        }

        long count() {
            return byDataset.values().stream().mapToLong(Star::rowCount).sum();
        }
    }

    private Rows read(Plan plan, DatasetReader reader, Consumer<RunProgress> listener, BooleanSupplier ended) {
        listener.accept(RunProgress.WAITING.with(RunState.READING));
        long[] rowsRead = new long[1];
        Map<Dataset, Star> stars = new HashMap<>();
        for (DatasetModel dataset : plan.datasets()) {
            long before = rowsRead[0];
            Star star = reader.read(Reading.of(plan, dataset), rows -> {
                rowsRead[0] = before + rows;
                listener.accept(new RunProgress(RunState.READING, rowsRead[0], 0, 0, 0, plan.notices()));
                return !ended.getAsBoolean() && withinLimit(rowsRead[0]);
            });
            stars.put(dataset.asRead(), star);
        }
        listener.accept(new RunProgress(RunState.GROUPING, rowsRead[0], 0, 0, 0, plan.notices()));
        return new Rows(stars);
    }

    private RunResult grouped(Plan plan, Rows rows, DatasetReader reader, BooleanSupplier ended) {
        List<RunStages.Made> made = new ArrayList<>();
        List<Problem> unknown = new ArrayList<>();
        for (BlockPlan block : plan.blocks()) {
            RunStages.Made next =
                    stages.grouped(block.facts(), rows.of(block), has -> rows.of(plan.lookedInto(has)), ended);
            made.add(next);
            boolean empty = next.grouping().grouped().rowsKept() == 0;
            if (empty && unknown.isEmpty() && isOverReportsDataset(block)) {
                unknown.addAll(UnknownAnswers.of(block.facts(), reader));
            }
        }
        return new RunResult(plan, answered(plan, made), unknown);
    }

    private static boolean isOverReportsDataset(BlockPlan block) {
        return block.dataset().id().equals(block.inputs().dataset());
    }

    /** Chosen keys are called in all blocks as the report's own dataset calls them. */
    private static List<RunStages.Made> answered(Plan plan, List<RunStages.Made> made) {
        return IntStream.range(0, made.size())
                .filter(i -> isOverReportsDataset(plan.blocks().get(i)))
                .mapToObj(made::get)
                .findFirst()
                .map(own -> made.stream()
                        .map(each -> each.answeredBy(own.grouping().grouped()))
                        .toList())
                .orElse(made);
    }

    private boolean withinLimit(long rows) {
        if (rows > limits.mostRows()) {
            throw new ProblemException(Problem.error(
                    "",
                    "the source has more than %,d rows, the most a run reads; take a smaller source"
                            .formatted(limits.mostRows())));
        }
        return true;
    }
}
