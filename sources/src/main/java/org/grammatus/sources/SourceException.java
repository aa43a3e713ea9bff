package org.grammatus.sources;

/** Rows could not be read; the message says from where and what to do. */
public sealed class SourceException extends RuntimeException permits MissingInSourceException {

    private static final long serialVersionUID = 1L;

    public SourceException(String message) {
        super(message);
    }

    public SourceException(String message, Throwable cause) {
        super(message, cause);
    }
}
