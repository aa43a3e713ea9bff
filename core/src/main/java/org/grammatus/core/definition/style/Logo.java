package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;

/**
 * A picture at the right of a report's title, in one of the two formats.
 *
 * @param png the file (ISO/IEC 15948), in Base64
 * @param svg the document (SVG 1.1, shapes in plain colours)
 * @param width millimetres; its height follows
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"png", "svg", "width"})
public record Logo(Optional<String> png, Optional<String> svg, int width) {}
