package org.grammatus.core.problem;

import java.util.List;

/**
 * A change that fixes a problem in one step.
 *
 * @param label what it does, in words
 * @param changes texts of the document that it sets
 */
public record Cure(String label, List<SetText> changes) {

    public Cure {
        changes = List.copyOf(changes);
    }

    /**
     * A text that is set.
     *
     * @param pointer JSON pointer (RFC 6901) of the property
     * @param value its new text
     */
    public record SetText(String pointer, String value) {}

    /** A cure that sets one text. */
    public static Cure of(String label, String pointer, String value) {
        return new Cure(label, List.of(new SetText(pointer, value)));
    }
}
