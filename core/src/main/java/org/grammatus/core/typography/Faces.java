package org.grammatus.core.typography;

import java.util.Optional;

/** The families that styles may name. */
@FunctionalInterface
public interface Faces {

    /** Those that come along, by the names that styles have for them. */
    Faces SHIPPED = id -> switch (id) {
        case "source-sans" -> Optional.of(Family.BASE);
        case "noto-sans" -> Optional.of(Family.WIDE);
        default -> Optional.empty();
    };

    /** The family of a name; none where it is not there, or not any more. */
    Optional<Family> find(String id);
}
