package org.grammatus.runs;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.runs.turns.Turns;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Reading;
import org.grammatus.sources.SourceException;

/** One run as a job: started once, followed by any number of listeners, cancelled by anyone. Thread-safe. */
public final class Run {

    /** The pointer of problems that a source told in its own words. */
    public static final String OF_SOURCE = "/source";

    private static final System.Logger LOG = System.getLogger(Run.class.getName());

    private final String id;
    private final RunRequest request;
    private final String owner;
    private final Instant startedAt;
    private final List<Consumer<RunProgress>> listeners = new CopyOnWriteArrayList<>();
    private volatile RunProgress progress = RunProgress.WAITING;
    private volatile boolean cancelled;
    private volatile Instant lookedAt;
    private Thread worker;
    private volatile List<DatasetRead> reads = List.of();
    private volatile RunResult result;

    Run(String id, RunRequest request, String owner, Instant startedAt) {
        this.id = id;
        this.request = request;
        this.owner = owner;
        this.startedAt = startedAt;
        this.lookedAt = startedAt;
    }

    void execute(RunEngine engine, DatasetReader reader, Turns gate) {
        try {
            begin();
            RunProgress[] last = new RunProgress[1];
            RunResult made = engine.run(
                    request,
                    reader,
                    next -> {
                        last[0] = next;
                        if (!next.state().isOver()) {
                            tell(next);
                        }
                    },
                    () -> cancelled,
                    () -> gate.enter(owner));
            reads = reads(request.plan(), reader);
            // The result is there before anybody hears that the run is done.
            result = made;
            tell(last[0]);
        } catch (Throwable e) {
            end(e);
        } finally {
            synchronized (this) {
                worker = null;
                // What was meant for this run is no business of the next one on this thread.
                Thread.interrupted();
            }
        }
    }

    /**
     * A dataset of which rows were read.
     *
     * @param id the dataset's id
     * @param label what it is called
     * @param at when they were read, perhaps for an earlier run
     */
    public record DatasetRead(String id, String label, Instant at) {}

    private List<DatasetRead> reads(Plan plan, DatasetReader reader) {
        return Reading.allOf(plan).stream()
                .map(reading -> new DatasetRead(
                        reading.dataset().id(),
                        reading.dataset().label(),
                        reader.readAt(reading).orElse(startedAt)))
                .toList();
    }

    private synchronized void begin() {
        if (cancelled) {
            throw new CancellationException();
        }
        worker = Thread.currentThread();
    }

    /** However it ended, the run is over, and those who follow it hear of it. */
    private void end(Throwable failure) {
        switch (failure) {
            case Throwable e
            when cancelled || e instanceof CancellationException -> tell(progress.with(RunState.CANCELLED));
            case ProblemException e -> tell(progress.with(RunState.FAILED, e.problems()));
            case SourceException e ->
                tell(progress.with(RunState.FAILED, List.of(Problem.error(OF_SOURCE, e.getMessage()))));
            case Throwable e -> {
                LOG.log(System.Logger.Level.ERROR, "Run " + id + " failed", e);
                String reason = e instanceof OutOfMemoryError
                        ? "the rows do not fit the server's memory; narrow the report's answers"
                        : "the run failed for a reason of the program's own; the server's log says more under " + id;
                tell(progress.with(RunState.FAILED, List.of(Problem.error("", reason))));
            }
        }
    }

    /** Ends a run for good that could not begin. */
    void fail(String reason) {
        tell(progress.with(RunState.FAILED, List.of(Problem.error("", reason))));
    }

    private synchronized void tell(RunProgress next) {
        if (progress.state().isOver()) {
            return;
        }
        progress = next;
        listeners.forEach(listener -> listener.accept(next));
        if (next.state().isOver()) {
            listeners.clear();
        }
    }

    /**
     * Follows the run: the listener is told at once where the run is, and of every step after it.
     *
     * @return ends the following
     */
    public synchronized Runnable follow(RunListener listener) {
        Consumer<RunProgress> told = listener::progressed;
        told.accept(progress);
        if (!progress.state().isOver()) {
            listeners.add(told);
        }
        return () -> listeners.remove(told);
    }

    /** Told of a run's steps, on the thread of the run; must be quick. */
    public interface RunListener {
        void progressed(RunProgress progress);
    }

    /** Ends the run at once for those who follow it; what works for it stops at its next step, or as soon as its source lets go. */
    public synchronized void cancel() {
        cancelled = true;
        tell(progress.with(RunState.CANCELLED));
        if (worker != null) {
            worker.interrupt();
        }
    }

    /** Notes that somebody looks at it. */
    void lookedAt(Instant now) {
        lookedAt = now;
    }

    /** When somebody last looked at it, or it was started. */
    Instant lookedAt() {
        return lookedAt;
    }

    public String id() {
        return id;
    }

    public RunRequest request() {
        return request;
    }

    /** The account that started it, the only one that may see it. */
    public String owner() {
        return owner;
    }

    public Instant startedAt() {
        return startedAt;
    }

    /** The datasets that it read, each with when; none until it is done. */
    public List<DatasetRead> reads() {
        return reads;
    }

    public RunProgress progress() {
        return progress;
    }

    /** The result, once the run is done. */
    public Optional<RunResult> result() {
        return Optional.ofNullable(result);
    }
}
