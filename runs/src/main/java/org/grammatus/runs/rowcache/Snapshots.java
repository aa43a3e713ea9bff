package org.grammatus.runs.rowcache;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.grammatus.core.columnar.Star;
import org.grammatus.sources.Reading;

/**
 * The snapshots that are there: in memory within a budget, others set aside. Those that have gone unused the longest give way first.
 * Thread-safe; files are written and read outside its lock.
 */
final class Snapshots {

    private final long budget;
    private final SpillFolder folder;
    private final Map<Snapshot.Key, Snapshot> inMemory = new LinkedHashMap<>(16, 0.75f, true);
    private final Map<Snapshot.Key, SpilledSnapshot> aside = new LinkedHashMap<>(16, 0.75f, true);

    /**
     * Without snapshots yet.
     *
     * @param budget the most memory that those in memory may take together, in bytes
     */
    Snapshots(long budget, SpillFolder folder) {
        this.budget = budget;
        this.folder = folder;
    }

    /** A snapshot in memory that answers a reading. */
    synchronized Optional<Snapshot> find(Reading reading, String version) {
        return keys(reading).stream()
                .map(inMemory::get)
                .filter(found -> found != null
                        && found.isOf(reading, version)
                        && found.reading().covers(reading))
                .findFirst();
    }

    /** What is known of all rows of a reading's dataset and may be in memory as a whole, whatever fields there are. */
    synchronized Optional<Reading> ofAllRows(Reading reading, String version) {
        Snapshot.Key key = Snapshot.Key.of(reading.ofAllRows());
        return Optional.ofNullable(inMemory.get(key))
                .filter(found -> found.isOf(reading, version))
                .map(Snapshot::reading)
                .or(() -> Optional.ofNullable(aside.get(key))
                        .filter(found -> found.isOf(reading, version) && found.bytes() <= budget)
                        .map(SpilledSnapshot::reading));
    }

    /** Brings back a snapshot that was set aside and answers a reading. */
    Optional<Snapshot> bringBack(Reading reading, String version) {
        Optional<SpilledSnapshot> found;
        synchronized (this) {
            found = keys(reading).stream()
                    .map(aside::get)
                    .filter(each -> each != null
                            && each.isOf(reading, version)
                            && each.reading().covers(reading))
                    .findFirst();
        }
        Optional<Snapshot> back = found.flatMap(each -> each.back(wanted(each, reading), folder));
        if (found.isPresent() && back.isEmpty()) {
            drop(each -> each == found.get());
        }
        back.ifPresent(this::keep);
        return back;
    }

    /** All that was there comes back where memory has room for it, else what is asked for. */
    private Reading wanted(SpilledSnapshot found, Reading reading) {
        return found.bytes() <= budget ? found.reading() : found.reading().ofFields(reading);
    }

    /** A reading's rows are among all rows, and are those that the same conditions let through. */
    private static List<Snapshot.Key> keys(Reading reading) {
        return List.of(Snapshot.Key.of(reading.ofAllRows()), Snapshot.Key.of(reading));
    }

    /**
     * Makes room in memory before rows are read, so that they and what is there are not too much together.
     *
     * @param bytes that they will take, about
     */
    void makeRoom(Reading reading, long bytes) {
        List<Snapshot> giveWay;
        synchronized (this) {
            if (bytesInMemory() + bytes <= budget) {
                return;
            }
            // It is replaced by what is read, which has all its fields.
            inMemory.remove(Snapshot.Key.of(reading));
            giveWay = oldestBeyond(Math.max(0, budget - bytes));
        }
        giveWay.forEach(this::setAside);
    }

    /** Keeps a snapshot: in memory if it fits the budget by itself, else aside. */
    void keep(Snapshot snapshot) {
        dropOthersOf(snapshot);
        List<Snapshot> giveWay;
        synchronized (this) {
            if (snapshot.bytes() <= budget) {
                inMemory.put(snapshot.key(), snapshot);
                giveWay = oldestBeyond(budget);
            } else {
                giveWay = List.of(snapshot);
            }
        }
        giveWay.forEach(this::setAside);
    }

    synchronized List<Star> stars() {
        return inMemory.values().stream().map(Snapshot::star).toList();
    }

    /** Sets snapshots aside until those in memory take no more than so many bytes. */
    void giveWay(long most) {
        List<Snapshot> oldest;
        synchronized (this) {
            oldest = oldestBeyond(most);
        }
        oldest.forEach(this::setAside);
    }

    private long bytesInMemory() {
        return inMemory.values().stream().mapToLong(Snapshot::bytes).sum();
    }

    /** Takes out of memory what has gone unused the longest, until no more than so many bytes are left. */
    private List<Snapshot> oldestBeyond(long most) {
        List<Snapshot> taken = new ArrayList<>();
        long all = bytesInMemory();
        Iterator<Snapshot> oldest = inMemory.values().iterator();
        while (all > most && oldest.hasNext()) {
            Snapshot unused = oldest.next();
            all -= unused.bytes();
            oldest.remove();
            taken.add(unused);
        }
        return taken;
    }

    private void setAside(Snapshot snapshot) {
        synchronized (this) {
            SpilledSnapshot known = aside.get(snapshot.key());
            if (known != null && known.has(snapshot)) {
                aside.put(snapshot.key(), known.usedAs(snapshot.star()));
                return;
            }
        }
        SpilledSnapshot away = SpilledSnapshot.of(snapshot, folder);
        SpilledSnapshot before;
        synchronized (this) {
            before = aside.put(away.key(), away);
        }
        Optional.ofNullable(before).ifPresent(this::delete);
        long[] all = new long[1];
        synchronized (this) {
            all[0] = aside.values().stream()
                    .mapToLong(SpilledSnapshot::fileBytes)
                    .sum();
        }
        drop(oldest -> {
            boolean over = all[0] > folder.mostBytes() && oldest.file().isPresent();
            all[0] -= oldest.fileBytes();
            return over || oldest.isGone();
        });
    }

    /** Snapshots of the same dataset from sources that have changed since, which no one can ask for. */
    private void dropOthersOf(Snapshot newer) {
        String dataset = newer.key().dataset();
        synchronized (this) {
            inMemory.values()
                    .removeIf(each ->
                            each.key().dataset().equals(dataset) && !each.isOf(newer.reading(), newer.version()));
        }
        drop(each -> each.key().dataset().equals(dataset) && !each.version().equals(newer.version()));
    }

    /** Forgets all snapshots of a dataset. */
    void forget(String dataset) {
        synchronized (this) {
            inMemory.keySet().removeIf(key -> key.dataset().equals(dataset));
        }
        drop(each -> each.key().dataset().equals(dataset));
    }

    private void drop(Predicate<SpilledSnapshot> given) {
        List<SpilledSnapshot> dropped = new ArrayList<>();
        synchronized (this) {
            aside.values().removeIf(each -> given.test(each) && dropped.add(each));
        }
        dropped.forEach(this::delete);
    }

    private void delete(SpilledSnapshot away) {
        away.file().ifPresent(folder::delete);
    }

    /** When rows were read that answer a reading; none where there are none. */
    synchronized Optional<Instant> readAt(Reading reading) {
        for (Snapshot.Key key : keys(reading)) {
            Optional<Instant> found = Optional.ofNullable(inMemory.get(key))
                    .filter(each -> each.reading().covers(reading))
                    .map(Snapshot::readAt)
                    .or(() -> Optional.ofNullable(aside.get(key))
                            .filter(each -> each.reading().covers(reading))
                            .map(SpilledSnapshot::readAt));
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }
}
