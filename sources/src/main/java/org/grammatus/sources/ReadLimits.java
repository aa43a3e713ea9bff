package org.grammatus.sources;

import java.time.Duration;

/**
 * Where reading fails rather than going on: part of the rows is never taken for all.
 *
 * @param mostRows rows read at once, over all tables
 * @param longestStatement time that a source may take for one statement
 * @param longestSilence time that a source may take to answer at all, once it is connected
 */
public record ReadLimits(long mostRows, Duration longestStatement, Duration longestSilence) {

    private static final Duration GLANCE = Duration.ofSeconds(20);

    /** The same for a look at what there is, which somebody waits for. */
    public ReadLimits glancing() {
        return new ReadLimits(mostRows, atMost(longestStatement), atMost(longestSilence));
    }

    private static Duration atMost(Duration usual) {
        return usual.compareTo(GLANCE) < 0 ? usual : GLANCE;
    }

    public static final ReadLimits DEFAULT = new ReadLimits(50_000_000, Duration.ofMinutes(10), Duration.ofMinutes(2));
}
