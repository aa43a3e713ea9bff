package org.grammatus.runs;

import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.locks.ReentrantLock;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.table.Star;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.FigureQuestion;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.SourceFigure;

/**
 * Keeps rows in memory once they were read, so that editing a report does not read them again. Rows are held as immutable
 * snapshots, one for each dataset; a snapshot is read anew when its sources have changed or more fields are needed.
 * Snapshots that have gone unused the longest give way when all together exceed the budget. What would exceed it alone is not held:
 * of it only the rows are read that a report's filters may let through. Thread-safe: equal reads share one load.
 */
public final class HeldRows implements DatasetReader {

    private final DatasetReader reader;
    private final long budget;
    private final Clock clock;
    private final Map<String, Held> held = new LinkedHashMap<>(16, 0.75f, true);
    private final Map<String, ReentrantLock> loading = new LinkedHashMap<>();

    private record Held(String version, Reading reading, Star star, long bytes, Instant readAt) {}

    /**
     * Holds what a reader reads.
     *
     * @param budget the most memory that snapshots may take together, in bytes
     */
    public HeldRows(DatasetReader reader, long budget, Clock clock) {
        this.reader = reader;
        this.budget = budget;
        this.clock = clock;
    }

    /** Half of the memory that the program may take. */
    public static long defaultBudget() {
        return Runtime.getRuntime().maxMemory() / 2;
    }

    @Override
    public void readAhead(Reading reading) {
        if (reader.estimatedBytes(reading) <= budget) {
            read(reading.ofAllRows(), ReadProgress.SILENT);
        }
    }

    @Override
    public long estimatedBytes(Reading reading) {
        return reader.estimatedBytes(reading);
    }

    @Override
    public String version(DatasetModel dataset) {
        return reader.version(dataset);
    }

    @Override
    public Map<String, String> missing(DatasetModel dataset) {
        return reader.missing(dataset);
    }

    /** Not from what is held: the source is asked. */
    @Override
    public Optional<SourceFigure> figure(FigureQuestion question) {
        return reader.figure(question);
    }

    @Override
    public void readAgain(DatasetModel dataset) {
        reader.readAgain(dataset);
        synchronized (held) {
            held.remove(dataset.definition().id());
        }
    }

    @Override
    public Optional<Instant> readAt(DatasetModel dataset) {
        synchronized (held) {
            return Optional.ofNullable(held.get(dataset.definition().id())).map(Held::readAt);
        }
    }

    @Override
    public Star read(Reading reading, ReadProgress progress) {
        String key = reading.dataset().definition().id();
        Held ready = current(key, reading, reader.version(reading.dataset()));
        if (ready != null && ready.reading.covers(reading)) {
            return ready.star;
        }
        ReentrantLock lock;
        synchronized (held) {
            lock = loading.computeIfAbsent(key, k -> new ReentrantLock());
        }
        lock.lock();
        try {
            String version = reader.version(reading.dataset());
            Held found = current(key, reading, version);
            if (found != null && found.reading.covers(reading)) {
                return found.star;
            }
            Reading wanted = found != null ? found.reading.with(reading) : reading.ofAllRows();
            if (!reading.conditions().isEmpty() && reader.estimatedBytes(wanted) > budget) {
                // Too much to be held: only what this report may need is read.
                return reader.read(reading, progress);
            }
            Instant now = clock.instant();
            Star star = reader.read(wanted, progress);
            keep(key, new Held(version, wanted, star, star.bytes(), now));
            return star;
        } finally {
            lock.unlock();
        }
    }

    /** The snapshot of a dataset as the source has it now, or null. */
    private Held current(String key, Reading reading, String version) {
        synchronized (held) {
            Held found = held.get(key);
            boolean current = found != null
                    && found.version.equals(version)
                    && found.reading.dataset().readsAs(reading.dataset());
            return current ? found : null;
        }
    }

    /** Keeps a snapshot where it fits the budget by itself. */
    private void keep(String key, Held snapshot) {
        synchronized (held) {
            held.remove(key);
            if (snapshot.bytes > budget) {
                return;
            }
            held.put(key, snapshot);
            long all = held.values().stream().mapToLong(Held::bytes).sum();
            var oldest = held.values().iterator();
            while (all > budget && oldest.hasNext()) {
                Held unused = oldest.next();
                if (unused != snapshot) {
                    all -= unused.bytes;
                    oldest.remove();
                }
            }
        }
    }
}
