package org.grammatus.core.rows;

import java.time.LocalDate;
import java.util.Optional;

/**
 * A step in time: rows of another time are taken for rows of this one by moving their dates.
 *
 * @param field id of the date field that is moved
 * @param months how far, in months
 * @param days how far beyond that, in days
 * @param from the first day, once moved, that takes part; none takes all
 * @param until the last day, once moved, that takes part; none takes all
 */
public record Shift(String field, int months, int days, Optional<LocalDate> from, Optional<LocalDate> until) {}
