package org.grammatus.runs;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.RemovalCause;
import com.github.benmanes.caffeine.cache.Scheduler;
import java.time.Clock;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Person;
import org.grammatus.sources.Readers;
import org.grammatus.sources.Reading;
import org.grammatus.sources.SourceException;

/**
 * Previews of reports that are being edited. In each session the newest edit wins: an older preview that is still going on is
 * cancelled. A preview is a run like any other, so its pages, figures and rows are asked for in the same way. Thread-safe.
 */
public final class Previews {

    private static final System.Logger LOG = System.getLogger(Previews.class.getName());

    /** A session that nobody has edited in for so long is over; the next edit begins it anew. */
    private static final Duration UNUSED = Duration.ofMinutes(30);
    /** How many sessions of one person there are at most; the one unused the longest is ended for another. */
    private static final int MOST_OF_ONE = 6;

    private long turn;
    private final RunService runs;
    private final Readers readers;
    private final Cache<Session, Newest> newest;

    private record Session(String owner, String id) {}

    /**
     * The newest preview.
     *
     * @param shown the last that was done before it: what it made is found again by the next edit
     */
    private record Newest(long edit, Run run, Optional<Run> shown, long used) {

        Newest alone() {
            return new Newest(edit, run, Optional.empty(), used);
        }

        /** What the next edit begins with. */
        Optional<Run> done() {
            return run.result().isPresent() ? Optional.of(run) : shown;
        }
    }

    public Previews(RunService runs, Readers readers, Clock clock) {
        this.runs = runs;
        this.readers = readers;
        this.newest = Caffeine.newBuilder()
                .expireAfterAccess(UNUSED)
                .ticker(() -> TimeUnit.MILLISECONDS.toNanos(clock.millis()))
                .scheduler(Scheduler.systemScheduler())
                .executor(Runnable::run)
                .evictionListener((Session session, Newest last, RemovalCause cause) -> giveUp(last))
                .build();
    }

    private void giveUp(Newest last) {
        last.run.cancel();
        runs.forget(last.run);
        last.shown.ifPresent(runs::forget);
    }

    /** Ends a preview for a newer one, and leaves what was done last. */
    private Optional<Run> outdo(Newest last) {
        Optional<Run> done = last.done();
        last.run.cancel();
        if (done.isPresent() && done.get() == last.run) {
            last.shown.ifPresent(runs::forget);
        } else {
            runs.forget(last.run);
        }
        return done;
    }

    /**
     * Runs a preview to its end on the calling thread.
     *
     * @param session the editing session, one for each open bench
     * @param edit number of the edit, which only grows in a session
     * @return the run, over; none where a newer edit is there already
     */
    public Optional<Run> preview(String owner, String session, long edit, RunRequest request) {
        Session key = new Session(owner, session);
        Run run;
        Optional<Run> shown;
        boolean first;
        synchronized (newest) {
            Newest known = newest.getIfPresent(key);
            if (known != null && known.edit > edit) {
                return Optional.empty();
            }
            if (known == null) {
                makeRoom(owner);
            }
            first = known == null;
            shown = Optional.ofNullable(known).flatMap(this::outdo);
            run = runs.prepare(request, owner);
            newest.put(key, new Newest(edit, run, shown, turn++));
        }
        DatasetReader reader = readers.of(new Person(owner));
        runs.execute(run, reader);
        if (run.result().isPresent()) {
            shown.ifPresent(runs::forget);
            newest.asMap().computeIfPresent(key, (same, last) -> last.run == run ? last.alone() : last);
        }
        if (first) {
            runs.inBackground(() -> readAhead(request, reader));
        }
        return Optional.of(run);
    }

    /** Ends sessions of a person until there is room for one more. */
    private void makeRoom(String owner) {
        List<Map.Entry<Session, Newest>> own = newest.asMap().entrySet().stream()
                .filter(entry -> entry.getKey().owner().equals(owner))
                .sorted(Comparator.comparing(entry -> entry.getValue().used()))
                .toList();
        own.subList(0, Math.max(0, own.size() - MOST_OF_ONE + 1))
                .forEach(entry -> end(owner, entry.getKey().id()));
    }

    /** The next edit may bring in any field of the dataset; where rows are held, they are read before it does. */
    private void readAhead(RunRequest request, DatasetReader reader) {
        try {
            for (DatasetModel dataset : request.datasets().all()) {
                reader.readAhead(
                        Reading.all(dataset).ofRowsLedTo().in(request.context().zone()));
            }
        } catch (SourceException e) {
            LOG.log(System.Logger.Level.DEBUG, "Nothing was read ahead", e);
        }
    }

    /** The newest preview of a session, going on or over. */
    public Optional<Run> newest(String owner, String session) {
        return Optional.ofNullable(newest.getIfPresent(new Session(owner, session)))
                .map(Newest::run);
    }

    /** How many sessions there are. */
    long sessions() {
        newest.cleanUp();
        return newest.estimatedSize();
    }

    /** Ends a session. */
    public void end(String owner, String session) {
        Newest last = newest.asMap().remove(new Session(owner, session));
        if (last != null) {
            giveUp(last);
        }
    }
}
