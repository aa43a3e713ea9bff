package org.grammatus.core.value;

import java.util.concurrent.CancellationException;

/** Asks between steps of long work whether anybody still wants it: whoever does not interrupts the thread that works. */
public final class Cancelled {

    private Cancelled() {}

    /**
     * Goes on, unless the thread was interrupted.
     *
     * @throws CancellationException if it was
     */
    public static void check() {
        if (Thread.currentThread().isInterrupted()) {
            throw new CancellationException("The work was cancelled");
        }
    }
}
