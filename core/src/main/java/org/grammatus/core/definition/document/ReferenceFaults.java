package org.grammatus.core.definition.document;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;

/** Notes references that lead nowhere, and properties that mean nothing where they stand. */
record ReferenceFaults(Problems problems) {

    /**
     * Notes a reference to something that is not there.
     *
     * @param what it refers to, in words
     */
    void known(String pointer, String what, String found, List<String> names) {
        if (!names.contains(found)) {
            problems.error(
                    pointer,
                    "unknown " + what + " \"" + found + "\", expected "
                            + (names.isEmpty() ? "none" : "one of " + String.join(", ", names))
                            + Suggestion.inWords(found, names));
        }
    }

    /** Notes a property that is there although it means nothing. */
    void unused(String pointer, Optional<?> value, String reason) {
        if (value.isPresent()) {
            problems.error(pointer, reason + "; remove this property");
        }
    }
}
