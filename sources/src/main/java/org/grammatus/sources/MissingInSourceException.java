package org.grammatus.sources;

/** There is no such source, or no such table in it: whoever asks for it has to ask for another. */
public final class MissingInSourceException extends SourceException {

    private static final long serialVersionUID = 1L;

    public MissingInSourceException(String message) {
        super(message);
    }
}
