package org.grammatus.runs;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.group.DrillDown;
import org.grammatus.runs.turns.FairQueue;
import org.grammatus.runs.turns.TooManyException;
import org.grammatus.runs.turns.Turns;
import org.grammatus.sources.DatasetReader;

/**
 * Starts runs, people taking turns, and keeps them so that their pages can be fetched. How many are kept is bounded by memory: the one
 * that nobody has looked at the longest is forgotten first, but none that waits, runs or was looked at in the last minutes. Where
 * such runs take all the memory there is, a new one waits. Thread-safe.
 */
public final class RunService implements AutoCloseable {

    /** How many of one person's runs may wait. */
    private static final int MOST_WAITING = 20;
    /** How many runs may read or compute at once, and how many of them for one person. */
    private static final int MOST_GOING_ON = 64;

    private static final int MOST_OF_ONE = 4;
    /** A run that somebody looked at so lately is in use. */
    private static final Duration IN_USE = Duration.ofMinutes(5);
    /** A run that nobody looked at for so long is forgotten, whatever memory there is. */
    private static final Duration KEPT = Duration.ofHours(4);

    private static final long TRY_AGAIN_SECONDS = 2;

    private final RunEngine engine;
    private final long mostBytes;
    private final Clock clock;
    private final HeldMemory held;
    private final Turns gate;
    private final ExecutorService executor = Executors.newCachedThreadPool(
            Thread.ofPlatform().name("run-", 1).daemon().factory());
    private final ScheduledExecutorService timer = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().name("runs-timer").daemon().factory());
    private final Map<String, Run> runs = new LinkedHashMap<>();
    private final FairQueue<Begin> queue = new FairQueue<>(MOST_GOING_ON, MOST_OF_ONE);

    private record Begin(Run run, Runnable work) {}

    /**
     * Without runs yet.
     *
     * @param mostBytes that runs may take together, with the rows that they use and those that are held for later ones
     * @param held the rows that are held for later runs
     */
    public RunService(RunLimits limits, long mostBytes, Clock clock, HeldMemory held) {
        this.engine = new RunEngine(limits);
        this.mostBytes = mostBytes;
        this.clock = clock;
        this.held = held;
        this.gate = Turns.ofProcessors(Runtime.getRuntime().availableProcessors());
        timer.scheduleWithFixedDelay(this::beginWaiting, TRY_AGAIN_SECONDS, TRY_AGAIN_SECONDS, TimeUnit.SECONDS);
    }

    /**
     * Makes a run that can be found from now on, but waits to be started.
     *
     * @throws TooManyException if as many of the person's runs wait as may
     */
    public Run prepare(RunRequest request, String owner) {
        Run run = new Run(UUID.randomUUID().toString(), request, owner, clock.instant());
        synchronized (runs) {
            if (queue.waiting(owner, begin -> !isOver(begin.run)) >= MOST_WAITING) {
                throw new TooManyException(
                        MOST_WAITING + " of your runs wait already; wait for some of them, or cancel them",
                        Duration.ofSeconds(TRY_AGAIN_SECONDS));
            }
            runs.put(run.id(), run);
            forgetUnused();
        }
        return run;
    }

    /**
     * Starts a prepared run, once it is its turn.
     *
     * @param whenOver told of the run when it is over
     */
    public void start(Run run, DatasetReader reader, Consumer<Run> whenOver) {
        synchronized (runs) {
            queue.add(run.owner(), new Begin(run, () -> {
                execute(run, reader);
                whenOver.accept(run);
            }));
        }
        beginWaiting();
    }

    /** Begins what may begin; a run that was cancelled while it waited ends at once. */
    private void beginWaiting() {
        synchronized (runs) {
            forgetUnused();
            while (queue.goingOn() == 0 || hasRoom()) {
                Optional<Begin> next = queue.next();
                if (next.isEmpty()) {
                    return;
                }
                begin(next.get());
            }
        }
    }

    private void begin(Begin next) {
        Runnable work = () -> {
            try {
                next.work.run();
            } finally {
                synchronized (runs) {
                    queue.over(next.run.owner());
                }
                beginWaiting();
            }
        };
        try {
            executor.execute(work);
        } catch (RejectedExecutionException e) {
            queue.over(next.run.owner());
            next.run.fail("the server is being stopped");
        }
    }

    /** Runs a prepared run to its end on the calling thread. */
    void execute(Run run, DatasetReader reader) {
        run.execute(engine, reader, gate);
        synchronized (runs) {
            forgetUnused();
        }
    }

    /**
     * Does something else that takes computing, in a person's turn.
     *
     * @param work told nothing; how it ends is its own matter
     */
    public void compute(String owner, Runnable work) {
        executor.execute(() -> {
            try (Turns.Permit turn = gate.enter(owner)) {
                work.run();
            }
        });
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

    /** A run that is going on or was kept, which is now looked at. */
    public Optional<Run> find(String id) {
        synchronized (runs) {
            Optional<Run> found = Optional.ofNullable(runs.get(id));
            found.ifPresent(run -> run.lookedAt(clock.instant()));
            return found;
        }
    }

    /** Whether there is room for another run: rows that no run uses give way to it. */
    private boolean hasRoom() {
        return bytesOfRuns() <= mostBytes;
    }

    /** Forgets finished runs: those that nobody looked at for long, and, while memory is short, those unseen the longest. */
    private void forgetUnused() {
        Instant now = clock.instant();
        runs.values().removeIf(run -> isOver(run) && run.lookedAt().plus(KEPT).isBefore(now));
        List<Run> unused = new ArrayList<>(runs.values().stream()
                .filter(run -> isOver(run) && run.lookedAt().plus(IN_USE).isBefore(now))
                .sorted(Comparator.comparing(Run::lookedAt))
                .toList());
        while (!unused.isEmpty() && !hasRoom()) {
            runs.remove(unused.removeFirst().id());
        }
        letRowsGiveWay();
    }

    /** Rows that are held for later runs alone go to their files where runs and they take too much together. */
    private void letRowsGiveWay() {
        Set<Star> used = starsOfRuns();
        long alone = held.stars().stream()
                .filter(star -> !used.contains(star))
                .mapToLong(Star::bytes)
                .sum();
        long excess = bytesOfRuns() + alone - mostBytes;
        if (excess > 0 && alone > 0) {
            long all = held.stars().stream().mapToLong(Star::bytes).sum();
            inBackground(() -> held.giveWay(Math.max(0, all - excess)));
        }
    }

    private static boolean isOver(Run run) {
        return run.progress().state().isOver();
    }

    /** What finished runs take, with their groups and rows; what several share counts once. */
    private long bytesOfRuns() {
        Set<DrillDown> counted = Collections.newSetFromMap(new IdentityHashMap<>());
        long results = 0;
        for (Run run : runs.values()) {
            RunResult made = run.result().orElse(null);
            if (made != null) {
                results += made.bytes();
                for (BlockResult table : made.results()) {
                    boolean first = counted.add(table.grouping().drillDown());
                    results += first ? RunResult.bytesOfGroups(table.grouped()) : 0;
                }
            }
        }
        return results + starsOfRuns().stream().mapToLong(Star::bytes).sum();
    }

    private Set<Star> starsOfRuns() {
        Set<Star> stars = Collections.newSetFromMap(new IdentityHashMap<>());
        runs.values()
                .forEach(run -> run.result().stream()
                        .flatMap(made -> made.results().stream())
                        .forEach(block -> stars.add(block.grouping().drillDown().star())));
        return stars;
    }

    /** Cancels what runs and waits a moment for it to end. */
    @Override
    public void close() {
        timer.shutdownNow();
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
