package org.grammatus.runs.rowcache;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.locks.ReentrantLock;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.runs.HeldMemory;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.FigureQuestion;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.SourceFigure;

/**
 * Keeps rows once they were read, so that editing a report does not read them again. Rows are held as immutable snapshots, one for all
 * rows of a dataset; a snapshot is read anew when its sources have changed or more fields are needed. Snapshots that have gone unused the
 * longest give way to column files when all together exceed the budget, and come back from there. Of what would exceed it alone, only the
 * rows are read that a report's filters may let through, and held for whoever asks for the same. Thread-safe: equal reads share one load.
 */
public final class HeldRows implements DatasetReader, HeldMemory {

    private final DatasetReader reader;
    private final long budget;
    private final Clock clock;
    private final ZoneId zone;
    private final Snapshots snapshots;
    private final Map<String, ReentrantLock> loading = new HashMap<>();

    /**
     * Holds what a reader reads.
     *
     * @param budget the most memory that snapshots may take together, in bytes
     * @param folder takes those for which there is no room
     * @param zone of readings that say none
     */
    public HeldRows(DatasetReader reader, long budget, SpillFolder folder, Clock clock, ZoneId zone) {
        this.zone = zone;
        this.reader = reader;
        this.budget = budget;
        this.clock = clock;
        this.snapshots = new Snapshots(budget, folder);
    }

    /** Half of the memory that the program may take. */
    public static long defaultBudget() {
        return Runtime.getRuntime().maxMemory() / 2;
    }

    @Override
    public List<Star> stars() {
        return snapshots.stars();
    }

    @Override
    public void giveWay(long most) {
        snapshots.giveWay(most);
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
        snapshots.forget(dataset.definition().id());
    }

    @Override
    public Optional<Instant> readAt(Reading reading) {
        return snapshots.readAt(reading.in(zone));
    }

    @Override
    public Star read(Reading asked, ReadProgress progress) {
        Reading reading = asked.in(zone);
        Optional<Snapshot> ready = snapshots.find(reading, reader.version(reading.dataset()));
        if (ready.isPresent()) {
            return ready.get().star();
        }
        ReentrantLock lock = lock(reading.dataset());
        lockOrGiveUp(lock);
        try {
            String version = reader.version(reading.dataset());
            return snapshots
                    .find(reading, version)
                    .or(() -> snapshots.bringBack(reading, version))
                    .orElseGet(() -> load(reading, version, progress))
                    .star();
        } finally {
            lock.unlock();
        }
    }

    /** Waits for another load of the dataset, unless whoever wants it gives up. */
    private static void lockOrGiveUp(ReentrantLock lock) {
        try {
            lock.lockInterruptibly();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("Interrupted while others read the same rows");
        }
    }

    private ReentrantLock lock(DatasetModel dataset) {
        synchronized (loading) {
            return loading.computeIfAbsent(dataset.definition().id(), id -> new ReentrantLock());
        }
    }

    private Snapshot load(Reading reading, String version, ReadProgress progress) {
        Reading whole = snapshots
                .ofAllRows(reading, version)
                .map(known -> known.with(reading))
                .orElseGet(reading::ofAllRows);
        long bytes = reader.estimatedBytes(whole);
        // Of what is too much to be held, only the rows are read that this report may need.
        Reading wanted = reading.conditions().isEmpty() || bytes <= budget ? whole : reading;
        snapshots.makeRoom(wanted, Math.min(bytes, budget));
        Instant now = clock.instant();
        Snapshot read = new Snapshot(wanted, version, now, reader.read(wanted, progress));
        snapshots.keep(read);
        return read;
    }
}
