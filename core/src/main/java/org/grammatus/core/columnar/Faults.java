package org.grammatus.core.columnar;

import java.math.BigInteger;
import java.util.EnumMap;
import java.util.Map;
import org.grammatus.core.value.Decimals;

/** Counts the figures that could not be computed and became NULL, so that the reader is told. Not thread-safe. */
public final class Faults {

    /** Why a figure is NULL. */
    public enum Kind {
        DIVISION_BY_ZERO("divided by zero"),
        TOO_LARGE("has more than 38 digits"),
        UNREADABLE("is no value of the type it is cast to");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * Faults of one kind.
     *
     * @param count how many there are
     * @param first the place, in the frame computed over, of the first
     */
    public record Found(int count, int first) {}

    private final Map<Kind, Found> found = new EnumMap<>(Kind.class);

    public void note(Kind kind, int place) {
        found.merge(kind, new Found(1, place), (a, b) -> new Found(a.count() + 1, a.first()));
    }

    /** The value; null, and noted, where it has more digits than values can have. Null stays null. */
    public BigInteger within(BigInteger value, int place) {
        if (value != null && !Decimals.fits(value)) {
            note(Kind.TOO_LARGE, place);
            return null;
        }
        return value;
    }

    /** The same faults, to which others can be added. */
    public Faults copy() {
        Faults copy = new Faults();
        copy.found.putAll(found);
        return copy;
    }

    public Map<Kind, Found> found() {
        return Map.copyOf(found);
    }
}
