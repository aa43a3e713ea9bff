package org.grammatus.server.problem;

/** The server could not be started; the message says why and what to do. */
public final class CannotStartException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public CannotStartException(String message) {
        super(message);
    }
}
