package org.grammatus.benchmarks;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * Our time beside an anchor's, taken in turn so that a noisy machine weighs on both alike.
 *
 * @param ours median, in seconds
 * @param theirs likewise
 */
record Pairs(double ours, double theirs) {

    private static final int COUNT = 5;

    /** Something to be timed. */
    interface Work {
        void run() throws Exception;
    }

    static Pairs of(Work ours, Work theirs) throws Exception {
        List<Double> our = new ArrayList<>();
        List<Double> their = new ArrayList<>();
        for (int i = 0; i < COUNT; i++) {
            our.add(seconds(ours));
            their.add(seconds(theirs));
        }
        return new Pairs(median(our), median(their));
    }

    private static double seconds(Work work) throws Exception {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e9;
    }

    private static double median(List<Double> values) {
        Collections.sort(values);
        return values.get(values.size() / 2);
    }
}
