package org.grammatus.runs.turns;

import java.time.Duration;

/** A person has as much going on as one person may; the same may be asked for again after a while. */
public final class TooManyException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final Duration retryAfter;

    public TooManyException(String message, Duration retryAfter) {
        super(message);
        this.retryAfter = retryAfter;
    }

    public Duration retryAfter() {
        return retryAfter;
    }
}
