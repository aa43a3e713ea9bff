package org.grammatus.runs;

import java.time.Clock;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.grammatus.core.table.Star;
import org.grammatus.sources.DatasetReader;

/**
 * Starts runs and keeps the latest ones, so that their pages can be fetched. Older ones are forgotten, sooner where their rows take much
 * memory; running ones never.
 * Thread-safe.
 */
public final class RunService implements AutoCloseable {

    /** How many finished runs are held in memory. */
    private static final int KEPT = 24;

    private static final int THREADS = 2;

    private final RunEngine engine;
    private final long mostBytes;
    private final Clock clock;
    private final ExecutorService executor = Executors.newFixedThreadPool(
            THREADS, Thread.ofPlatform().name("run-", 1).daemon().factory());
    private final Map<String, Run> runs = new LinkedHashMap<>();

    /**
     * Without runs yet.
     *
     * @param mostBytes that finished runs may take together, with the rows that they use for as long as they are kept
     */
    public RunService(RunLimits limits, long mostBytes, Clock clock) {
        this.engine = new RunEngine(limits);
        this.mostBytes = mostBytes;
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
            execute(run, reader);
            whenOver.accept(run);
        });
    }

    /** Runs a prepared run to its end on the calling thread. */
    void execute(Run run, DatasetReader reader) {
        run.execute(engine, reader);
        synchronized (runs) {
            forgetOldest();
        }
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

    /** The newest run of all stays whatever it takes: somebody waits for it. */
    private void forgetOldest() {
        List<Run> oldestFirst = List.copyOf(runs.values());
        for (Run run : oldestFirst.subList(0, Math.max(0, oldestFirst.size() - 1))) {
            boolean over = runs.size() > KEPT || bytesInUse() > mostBytes;
            if (over && run.progress().state().isOver()) {
                runs.remove(run.id());
            }
        }
    }

    /** Of finished runs, rows that several use counted once. */
    private long bytesInUse() {
        Set<Star> stars = Collections.newSetFromMap(new IdentityHashMap<>());
        long results = 0;
        for (Run run : runs.values()) {
            Optional<RunResult> result = run.result();
            result.ifPresent(made -> stars.add(made.grouped().star()));
            results += result.map(RunResult::bytes).orElse(0L);
        }
        return results + stars.stream().mapToLong(Star::bytes).sum();
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
