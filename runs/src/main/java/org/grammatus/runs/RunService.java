package org.grammatus.runs;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.grammatus.sources.DatasetReader;

/**
 * Starts runs and keeps the latest ones, so that their pages can be fetched. Older ones are forgotten, running ones never.
 * Thread-safe.
 */
public final class RunService implements AutoCloseable {

    /** How many finished runs are held in memory. */
    private static final int KEPT = 24;

    private static final int THREADS = 2;

    private final RunEngine engine;
    private final Clock clock;
    private final ExecutorService executor = Executors.newFixedThreadPool(
            THREADS, Thread.ofPlatform().name("run-", 1).daemon().factory());
    private final Map<String, Run> runs = new LinkedHashMap<>();

    public RunService(RunLimits limits, Clock clock) {
        this.engine = new RunEngine(limits);
        this.clock = clock;
    }

    /** Makes a run that can be found from now on, but waits to be started. */
    public Run prepare(RunRequest request, String owner) {
        Run run = new Run(UUID.randomUUID().toString(), request, owner, clock.instant());
        synchronized (runs) {
            runs.put(run.id(), run);
            forgetOldest();
        }
        return run;
    }

    /**
     * Starts a prepared run.
     *
     * @param whenOver told of the run when it is over, on the run's thread
     */
    public void start(Run run, DatasetReader reader, Consumer<Run> whenOver) {
        executor.execute(() -> {
            run.execute(engine, reader);
            whenOver.accept(run);
        });
    }

    /** Runs a prepared run to its end on the calling thread. */
    void execute(Run run, DatasetReader reader) {
        run.execute(engine, reader);
    }

    void inBackground(Runnable work) {
        executor.execute(work);
    }

    /** Gives up a run that nobody will ask for again. */
    void forget(Run run) {
        synchronized (runs) {
            runs.remove(run.id());
        }
    }

    /** A run that is going on or was kept. */
    public Optional<Run> find(String id) {
        synchronized (runs) {
            return Optional.ofNullable(runs.get(id));
        }
    }

    private void forgetOldest() {
        var oldest = runs.values().iterator();
        int over = runs.size() - KEPT;
        while (over > 0 && oldest.hasNext()) {
            if (oldest.next().progress().state().isOver()) {
                oldest.remove();
                over--;
            }
        }
    }

    /** Cancels what runs and waits a moment for it to end. */
    @Override
    public void close() {
        synchronized (runs) {
            runs.values().forEach(Run::cancel);
        }
        executor.shutdown();
        try {
            if (!executor.awaitTermination(5, TimeUnit.SECONDS)) {
                executor.shutdownNow();
            }
        } catch (InterruptedException e) {
            executor.shutdownNow();
            Thread.currentThread().interrupt();
        }
    }
}
