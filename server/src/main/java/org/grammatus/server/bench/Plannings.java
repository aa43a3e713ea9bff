package org.grammatus.server.bench;

import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;

/**
 * The planning that goes on in each editing session. A newer edit, or the end of the session, gives up an older one: a large definition
 * that nobody looks at any more keeps no thread. Thread-safe.
 */
final class Plannings {

    private final Map<Session, Going> going = new ConcurrentHashMap<>();

    private record Session(String owner, String id) {}

    /** A planning and the thread that does it. */
    private static final class Going {

        private final long edit;
        private final Thread thread = Thread.currentThread();
        private boolean over;

        Going(long edit) {
            this.edit = edit;
        }

        synchronized void giveUp() {
            if (!over) {
                thread.interrupt();
            }
        }

        /** What was meant for this planning is no business of the next request on its thread. */
        synchronized void end() {
            over = true;
            Thread.interrupted();
        }
    }

    /**
     * Plans on the calling thread, in the place of an older edit of the same session.
     *
     * @param edit number of the edit, which only grows in a session
     * @throws CancellationException if a newer edit is there already or comes meanwhile, or the session ends
     */
    <T> T plan(String owner, String session, long edit, Supplier<T> planning) {
        Session key = new Session(owner, session);
        Going mine = new Going(edit);
        going.merge(key, mine, (older, same) -> {
            if (older.edit > edit) {
                throw new CancellationException("A newer edit is there already");
            }
            older.giveUp();
            return same;
        });
        try {
            return planning.get();
        } finally {
            mine.end();
            going.remove(key, mine);
        }
    }

    /** Gives up what goes on in a session. */
    void end(String owner, String session) {
        Going last = going.remove(new Session(owner, session));
        if (last != null) {
            last.giveUp();
        }
    }
}
