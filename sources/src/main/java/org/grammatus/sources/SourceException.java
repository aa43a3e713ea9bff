package org.grammatus.sources;

/** Rows could not be read; the message says from where and what to do. */
public final class SourceException extends RuntimeException {

    public SourceException(String message) {
        super(message);
    }

    public SourceException(String message, Throwable cause) {
        super(message, cause);
    }
}
