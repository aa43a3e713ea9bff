package org.grammatus.server.problem;

/** Changes were made to a state of a report that is not the newest any more. */
public final class NewerRevisionException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final long revision;
    private final String by;

    /**
     * A newer revision was found.
     *
     * @param revision its number
     * @param by who saved it
     */
    public NewerRevisionException(long revision, String by) {
        super(by + " saved revision " + revision
                + " since you began. Your changes are kept as a draft: save them as a copy, or put them in its place");
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
