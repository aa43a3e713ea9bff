package org.grammatus.server.problem;

/** Changes were made to a state of a report or dataset that is not the newest any more. */
public final class NewerRevisionException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final long revision;
    private final String by;

    /**
     * A newer revision was found.
     *
     * @param revision its number
     * @param by who saved it
     * @param advice what became of the changes, and what to do now
     */
    public NewerRevisionException(long revision, String by, String advice) {
        super(by + " saved revision " + revision + " since you began. " + advice);
        this.revision = revision;
        this.by = by;
    }

    public long revision() {
        return revision;
    }

    public String by() {
        return by;
    }
}
