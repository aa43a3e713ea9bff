package org.grammatus.runs.turns;

import java.time.Duration;
import java.util.concurrent.CancellationException;

/**
 * Limits how many pieces of work run at once, and lets people take turns: one person never occupies all of them, so others wait for one short piece of work at most. Thread-safe.
 */
public final class Turns {

    private static final Duration RETRY = Duration.ofSeconds(2);

    private final FairQueue<Permit> queue;
    private final int mostWaiting;

    /** A turn; given back when it is closed. */
    public final class Permit implements AutoCloseable {

        private final String owner;
        private boolean given;

        private Permit(String owner) {
            this.owner = owner;
        }

        @Override
        public void close() {
            synchronized (queue) {
                queue.over(owner);
                admit();
            }
        }
    }

    /**
     * @param most how many go on at once
     * @param mostOfOne how many of these for one person
     * @param mostWaiting how many of one person wait; more are refused
     */
    public Turns(int most, int mostOfOne, int mostWaiting) {
        this.queue = new FairQueue<>(most, mostOfOne);
        this.mostWaiting = mostWaiting;
    }

    /** Turns at computing: as many as there are processors, of which one person never has all. */
    public static Turns ofProcessors(int processors) {
        int all = Math.max(2, processors);
        return new Turns(all, all - 1, Integer.MAX_VALUE);
    }

    /**
     * Waits for a turn.
     *
     * @throws TooManyException if as many of the person's wait as may
     * @throws CancellationException if the thread is interrupted before its turn comes
     */
    public Permit enter(String owner) {
        Permit permit = new Permit(owner);
        synchronized (queue) {
            if (queue.waiting(owner, waiting -> true) >= mostWaiting) {
                throw new TooManyException(
                        mostWaiting + " of your requests wait already; try again in a moment", RETRY);
            }
            queue.add(owner, permit);
            admit();
            try {
                while (!permit.given) {
                    queue.wait();
                }
            } catch (InterruptedException e) {
                leave(permit);
                Thread.currentThread().interrupt();
                throw new CancellationException("Interrupted before its turn came");
            }
        }
        return permit;
    }

    private void leave(Permit permit) {
        if (permit.given) {
            queue.over(permit.owner);
        } else {
            queue.remove(permit.owner, waiting -> waiting == permit);
        }
        admit();
    }

    private void admit() {
        for (var next = queue.next(); next.isPresent(); next = queue.next()) {
            next.get().given = true;
        }
        queue.notifyAll();
    }
}
