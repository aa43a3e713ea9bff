package org.grammatus.server.problem;

/** The body of a request is larger than any that is needed. */
public final class BodyTooLargeException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public BodyTooLargeException(String message) {
        super(message);
    }
}
