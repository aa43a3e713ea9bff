package org.grammatus.export;

import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Optional;

/**
 * A stream lent to a library: it is not closed, since it belongs to the caller, and a failure to write is remembered, since
 * libraries wrap it into exceptions of their own or pass over it.
 */
public final class CallersStream extends FilterOutputStream {

    private Optional<IOException> failure = Optional.empty();

    public CallersStream(OutputStream out) {
        super(out);
    }

    @Override
    public void write(int b) throws IOException {
        write(new byte[] {(byte) b}, 0, 1);
    }

    @Override
    public void write(byte[] bytes, int from, int length) throws IOException {
        try {
            out.write(bytes, from, length);
        } catch (IOException e) {
            failure = Optional.of(e);
            throw e;
        }
    }

    @Override
    public void flush() throws IOException {
        try {
            out.flush();
        } catch (IOException e) {
            failure = Optional.of(e);
            throw e;
        }
    }

    @Override
    public void close() throws IOException {
        flush();
    }

    /** Ends the work with what really went wrong, if anything did. */
    public void rethrowFailure() throws IOException {
        if (failure.isPresent()) {
            throw failure.get();
        }
    }
}
