package org.grammatus.runs.rowcache;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.expression.Typed;
import org.grammatus.sources.Reading;

/**
 * Rows as they were read once. Immutable.
 *
 * @param reading what they answer
 * @param version of the sources they were read from
 */
record Snapshot(Reading reading, String version, Instant readAt, Star star) {

    /**
     * Which snapshots stand for each other: of one dataset and the same rows, the newer takes the older one's place.
     *
     * @param zone in which moments were told
     * @param conditions on the rows, with the values that were compared
     */
    record Key(String dataset, Optional<ZoneId> zone, List<Typed> conditions) {

        static Key of(Reading reading) {
            return new Key(reading.dataset().definition().id(), reading.zone(), reading.conditions());
        }
    }

    Snapshot {
        reading = star.isWhole() ? reading.ofWholeTables() : reading;
        star = reading.conditions().isEmpty() ? star : star.partial();
    }

    Key key() {
        return Key.of(reading);
    }

    /** Whether the sources are as they were, and the dataset reads the same of them. */
    boolean isOf(Reading other, String present) {
        return isOf(reading, version, other, present);
    }

    static boolean isOf(Reading reading, String version, Reading other, String present) {
        return version.equals(present) && reading.dataset().readsAs(other.dataset());
    }

    long bytes() {
        return star.bytes();
    }
}
