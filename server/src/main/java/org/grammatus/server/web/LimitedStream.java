package org.grammatus.server.web;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import java.io.IOException;
import java.time.Duration;
import org.grammatus.server.problem.BodyTooLargeException;

/** A body of which the size is counted, and the time that it takes. */
abstract class LimitedStream extends ServletInputStream {

    private final ServletInputStream in;
    private final long deadline;
    private long read;

    LimitedStream(ServletInputStream in, Duration longest) {
        this.in = in;
        this.deadline = System.nanoTime() + longest.toNanos();
    }

    /**
     * Told of every byte that came.
     *
     * @throws BodyTooLargeException if they are too many
     */
    protected abstract void counted(long bytes);

    private int noted(int bytes) {
        read += Math.max(0, bytes);
        counted(read);
        if (System.nanoTime() > deadline) {
            throw new BodyTooLargeException("The body took too long to come");
        }
        return bytes;
    }

    @Override
    public int read() throws IOException {
        int b = in.read();
        noted(b < 0 ? 0 : 1);
        return b;
    }

    @Override
    public int read(byte[] bytes, int from, int length) throws IOException {
        return noted(in.read(bytes, from, length));
    }

    @Override
    public boolean isFinished() {
        return in.isFinished();
    }

    @Override
    public boolean isReady() {
        return in.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
        in.setReadListener(listener);
    }
}
