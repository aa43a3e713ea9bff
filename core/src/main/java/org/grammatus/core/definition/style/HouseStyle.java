package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;

/**
 * A named style sheet that reports share, as {@code style.schema.json} describes it. What it does not say is as in the style that all
 * others stand on.
 *
 * @param description a line about what it is for
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"format", "version", "id", "name", "description", "look"})
public record HouseStyle(
        String format, int version, String id, String name, Optional<String> description, StyleParts look) {

    public static final String FORMAT = "grammatus-style";
    public static final int VERSION = 1;
}
