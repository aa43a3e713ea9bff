package org.grammatus.core.columnar;

import java.math.BigInteger;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.Map;
import org.grammatus.core.value.Decimals;

/** Counts the figures that could not be computed and became NULL, so that the reader is told. Not thread-safe. */
public final class Faults {

    /** Why a figure is NULL. */
    public enum Kind {
        DIVISION_BY_ZERO("is divided by zero"),
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

    private final Map<Kind, BitSet> found = new EnumMap<>(Kind.class);

    public void note(Kind kind, int place) {
        found.computeIfAbsent(kind, none -> new BitSet()).set(place);
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
        found.forEach((kind, places) -> copy.found.put(kind, (BitSet) places.clone()));
        return copy;
    }

    /** By kind, the places in the frame computed over whose figures are NULL. */
    public Map<Kind, BitSet> found() {
        return Map.copyOf(found);
    }
}
