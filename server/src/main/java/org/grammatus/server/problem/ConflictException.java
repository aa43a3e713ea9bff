package org.grammatus.server.problem;

/** What was asked for does not go with what is there. */
public final class ConflictException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public ConflictException(String message) {
        super(message);
    }
}
