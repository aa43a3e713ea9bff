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
import org.grammatus.sources.DatasetReader;
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
    private final DatasetReader reader;
    private final Cache<Session, Newest> newest;

    private record Session(String owner, String id) {}

    private record Newest(long edit, Run run, long used) {}

    public Previews(RunService runs, DatasetReader reader, Clock clock) {
        this.runs = runs;
        this.reader = reader;
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
        boolean first;
        synchronized (newest) {
            Newest known = newest.getIfPresent(key);
            if (known != null && known.edit > edit) {
                return Optional.empty();
            }
            if (known != null) {
                giveUp(known);
            } else {
                makeRoom(owner);
            }
            first = known == null;
            run = runs.prepare(request, owner);
            newest.put(key, new Newest(edit, run, turn++));
        }
        runs.execute(run, reader);
        if (first) {
            runs.inBackground(() -> readAhead(request));
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
    private void readAhead(RunRequest request) {
        try {
            reader.readAhead(Reading.all(request.dataset())
                    .ofRowsLedTo()
                    .in(request.context().zone()));
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
