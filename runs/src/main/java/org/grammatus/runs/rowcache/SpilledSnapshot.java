package org.grammatus.runs.rowcache;

import java.lang.ref.WeakReference;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import org.grammatus.core.columnar.Star;
import org.grammatus.sources.Reading;

/**
 * A snapshot that gave way in memory: it comes back from the run that still uses it, or from its file. Immutable.
 *
 * @param inUse gone once no run uses the rows any more
 * @param bytes that it takes in memory, and about as many in its file
 */
record SpilledSnapshot(
        Reading reading, String version, Instant readAt, WeakReference<Star> inUse, Optional<Path> file, long bytes) {

    static SpilledSnapshot of(Snapshot snapshot, SpillFolder folder) {
        long bytes = snapshot.bytes();
        return new SpilledSnapshot(
                snapshot.reading(),
                snapshot.version(),
                snapshot.readAt(),
                new WeakReference<>(snapshot.star()),
                bytes > folder.mostBytes() ? Optional.empty() : folder.write(snapshot.star()),
                bytes);
    }

    /** About how much of the disk it takes. */
    long fileBytes() {
        return file.isPresent() ? bytes : 0;
    }

    /** Whether nothing is left of it. */
    boolean isGone() {
        return file.isEmpty() && inUse.get() == null;
    }

    /** Whether the sources are as they were, and the dataset reads the same of them. */
    boolean isOf(Reading other, String present) {
        return Snapshot.isOf(reading, version, other, present);
    }

    /** Whether a snapshot has nothing that is not here. */
    boolean has(Snapshot snapshot) {
        return readAt.equals(snapshot.readAt()) && reading.covers(snapshot.reading());
    }

    /** The same, whose rows are in use in another copy. */
    SpilledSnapshot usedAs(Star star) {
        return new SpilledSnapshot(reading, version, readAt, new WeakReference<>(star), file, bytes);
    }

    Snapshot.Key key() {
        return Snapshot.Key.of(reading);
    }

    /** The same rows in memory again, at least those of a reading; none where they are gone. */
    Optional<Snapshot> back(Reading wanted, SpillFolder folder) {
        return Optional.ofNullable(inUse.get())
                .map(star -> new Snapshot(reading, version, readAt, star))
                .or(() -> file.flatMap(path -> folder.read(path, wanted))
                        .map(star -> new Snapshot(wanted, version, readAt, star)));
    }
}
