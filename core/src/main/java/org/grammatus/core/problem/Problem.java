package org.grammatus.core.problem;

import java.util.Optional;

/**
 * One thing that is wrong, in words a person can act on.
 *
 * @param severity whether it stops the work or is worth knowing
 * @param pointer where in the document, as a JSON pointer (RFC 6901); empty text is the whole document
 * @param position where inside a text at that pointer, for an expression
 * @param message what happened, what was found, what was expected
 * @param cure what would put it right, where that is known
 */
public record Problem(
        Severity severity, String pointer, Optional<Position> position, String message, Optional<Cure> cure) {

    /** Whether a problem stops the work. */
    public enum Severity {
        /** The work cannot go on. */
        ERROR,
        /** The result stands, but its reader should know. */
        NOTICE,
        /** The result stands, and its author might do better; nothing for readers. */
        ADVICE
    }

    /**
     * A place in a text.
     *
     * @param line line, from 1
     * @param column column in code points, from 1
     */
    public record Position(int line, int column) {
        @Override
        public String toString() {
            return line + ":" + column;
        }
    }

    public static Problem error(String pointer, String message) {
        return new Problem(Severity.ERROR, pointer, Optional.empty(), message, Optional.empty());
    }

    public static Problem error(String pointer, Position position, String message) {
        return new Problem(Severity.ERROR, pointer, Optional.of(position), message, Optional.empty());
    }

    public static Problem advice(String pointer, String message) {
        return new Problem(Severity.ADVICE, pointer, Optional.empty(), message, Optional.empty());
    }

    public static Problem notice(String pointer, String message) {
        return new Problem(Severity.NOTICE, pointer, Optional.empty(), message, Optional.empty());
    }

    /** The same problem, seen from a document in which its own document stands at the given pointer. */
    public Problem below(String parentPointer) {
        return new Problem(severity, parentPointer + pointer, position, message, cure);
    }

    /** The same in other words. */
    public Problem saying(String other) {
        return new Problem(severity, pointer, position, other, cure);
    }

    public Problem withoutPosition() {
        return new Problem(severity, pointer, Optional.empty(), message, cure);
    }

    /** The same problem with what would put it right. */
    public Problem curedBy(Cure known) {
        return new Problem(severity, pointer, position, message, Optional.of(known));
    }

    @Override
    public String toString() {
        String where = pointer.isEmpty() ? "" : pointer + ": ";
        return where + position.map(p -> p + " ").orElse("") + message;
    }
}
