package org.grammatus.core.value;

import java.time.LocalDate;
import java.util.Optional;

/**
 * A span of days, either end open. Both ends count; on timestamps it reaches from the first day 00:00 up to, not
 * including, 00:00 of the day after the last.
 *
 * @param from first day, or none for an open start
 * @param to last day, or none for an open end
 */
public record Period(Optional<LocalDate> from, Optional<LocalDate> to) {

    /** No limit on either side. */
    public static final Period OPEN = new Period(Optional.empty(), Optional.empty());

    public Period {
        if (from.isPresent() && to.isPresent() && from.get().isAfter(to.get())) {
            throw new IllegalArgumentException("the start " + from.get() + " is after the end " + to.get());
        }
    }

    public static Period of(LocalDate from, LocalDate to) {
        return new Period(Optional.of(from), Optional.of(to));
    }

    public boolean isOpen() {
        return from.isEmpty() && to.isEmpty();
    }

    /** The ISO 8601 interval, with {@code ..} for an open end: {@code 2026-01-01/2026-03-31}, {@code ../2026-03-31}. */
    @Override
    public String toString() {
        return from.map(LocalDate::toString).orElse("..")
                + "/"
                + to.map(LocalDate::toString).orElse("..");
    }
}
