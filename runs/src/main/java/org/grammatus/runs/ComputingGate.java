package org.grammatus.runs;

import java.util.concurrent.CancellationException;

/**
 * Lets as many compute at once as there are processors, people taking turns. One person never has all of them, so that whoever comes
 * waits for a short piece of work at most, not for somebody's long ones. Reading from sources is not computing. Thread-safe.
 */
public final class ComputingGate {

    private final FairQueue<Permit> queue;

    /** A turn at computing; given back when it is closed. */
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

    /** @param processors how many may compute at once */
    public ComputingGate(int processors) {
        int all = Math.max(2, processors);
        this.queue = new FairQueue<>(all, all - 1);
    }

    /**
     * Waits for a turn.
     *
     * @throws CancellationException if the thread is interrupted before its turn comes
     */
    public Permit enter(String owner) {
        Permit permit = new Permit(owner);
        synchronized (queue) {
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
