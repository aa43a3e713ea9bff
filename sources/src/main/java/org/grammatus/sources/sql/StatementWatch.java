package org.grammatus.sources.sql;

import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.grammatus.sources.SourceException;

/**
 * Stops a statement that takes longer than it may, or that nobody waits for any more: the thread that waits was interrupted. Drivers
 * themselves notice neither while their database is silent.
 */
public final class StatementWatch implements AutoCloseable {

    private static final System.Logger LOG = System.getLogger(StatementWatch.class.getName());
    private static final long LOOKS_EVERY_MILLIS = 200;
    private static final ScheduledExecutorService TIMER = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().name("statement-watch").daemon().factory());

    private final Statement statement;
    private final Thread waiting = Thread.currentThread();
    private final long deadline;
    private final Future<?> watch;
    private volatile boolean late;

    public StatementWatch(Statement statement, Duration longest) {
        this.statement = statement;
        this.deadline = System.nanoTime() + longest.toNanos();
        this.watch =
                TIMER.scheduleWithFixedDelay(this::look, LOOKS_EVERY_MILLIS, LOOKS_EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    private void look() {
        late = late || System.nanoTime() > deadline;
        if (late || waiting.isInterrupted()) {
            // A server that does not answer is asked to stop on a connection of its own, which may take its time.
            Thread.ofVirtual().start(this::stop);
        }
    }

    private void stop() {
        try {
            statement.cancel();
        } catch (SQLException e) {
            LOG.log(System.Logger.Level.DEBUG, "A statement could not be stopped", e);
        }
    }

    /**
     * Says why a statement failed, if it was stopped.
     *
     * @throws CancellationException if nobody waits for it any more
     * @throws SourceException if it took longer than it may
     */
    public void explain(String name, Duration longest) {
        if (waiting.isInterrupted()) {
            throw new CancellationException("The reading was cancelled");
        }
        if (late) {
            throw new SourceException(name + ": a statement took longer than "
                    + (longest.toMinutes() > 1 ? longest.toMinutes() + " minutes" : longest.toSeconds() + " seconds")
                    + "; read fewer rows, or ask for an index or a view that answers sooner");
        }
    }

    @Override
    public void close() {
        watch.cancel(false);
    }
}
