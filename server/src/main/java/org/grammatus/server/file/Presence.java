package org.grammatus.server.file;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletRequestWrapper;
import java.io.IOException;

/**
 * Tells whether a browser that waits for an answer is still there. Its request has come whole, so that nothing more is to be read but the
 * end of its connection, for which no thread waits: it is looked for.
 */
final class Presence {

    private static final ReadListener NOTHING = new ReadListener() {
        @Override
        public void onDataAvailable() {}

        @Override
        public void onAllDataRead() {}

        @Override
        public void onError(Throwable failure) {}
    };

    private final ServletInputStream in;

    /** @param request one without a body, whose answer is given later */
    Presence(ServletRequest request) throws IOException {
        ServletRequest own = request;
        while (own instanceof ServletRequestWrapper wrapper) {
            own = wrapper.getRequest();
        }
        this.in = own.getInputStream();
        // The container looks whether anything came only where somebody could be told of it.
        in.setReadListener(NOTHING);
    }

    boolean hasLeft() {
        try {
            return in.available() > 0;
        } catch (IOException e) {
            return true;
        }
    }
}
