package org.grammatus.server.problem;

/** What was asked for is not there, or not for this account. */
public final class NotFoundException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public NotFoundException(String message) {
        super(message);
    }
}
