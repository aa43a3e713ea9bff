package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.runs.profile.UnknownAnswers;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Reading;

/** The way of a run, step by step: definition and answers, plan, rows, groups, bands, pages. What one run made of rows serves others that need the same. Thread-safe. */
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
        Star star = read(plan, reader, listener, ended);
        try (AutoCloseable computing = turn.get()) {
            RunResult result = grouped(plan, star, reader, ended);
            int pages = result.paginate(ended);
            listener.accept(new RunProgress(
                    RunState.DONE, star.rowCount(), result.rowsKept(), result.groupCount(), pages, result.notices()));
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

    private Star read(Plan plan, DatasetReader reader, Consumer<RunProgress> listener, BooleanSupplier ended) {
        listener.accept(RunProgress.WAITING.with(RunState.READING));
        long[] rowsRead = new long[1];
        Star star = reader.read(Reading.of(plan), rows -> {
            rowsRead[0] = rows;
            listener.accept(new RunProgress(RunState.READING, rows, 0, 0, 0, plan.notices()));
            return !ended.getAsBoolean() && withinLimit(rows);
        });
        listener.accept(new RunProgress(RunState.GROUPING, rowsRead[0], 0, 0, 0, plan.notices()));
        return star;
    }

    private RunResult grouped(Plan plan, Star star, DatasetReader reader, BooleanSupplier ended) {
        List<RunStages.Made> made = new ArrayList<>();
        List<Problem> unknown = new ArrayList<>();
        for (TablePlan table : plan.tables()) {
            RunStages.Made next = stages.grouped(table, star, ended);
            made.add(next);
            if (next.grouping().grouped().rowsKept() == 0 && unknown.isEmpty()) {
                unknown.addAll(UnknownAnswers.of(table, reader));
            }
        }
        return new RunResult(plan, made, unknown);
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
