package org.grammatus.runs;

import java.time.Duration;

/**
 * Where a run fails rather than going on: part of the rows is never shown as if it were all.
 *
 * @param mostRows rows read, over all tables
 * @param longest time from start to pages
 */
public record RunLimits(long mostRows, Duration longest) {

    public static final RunLimits DEFAULT = new RunLimits(50_000_000, Duration.ofMinutes(10));
}
