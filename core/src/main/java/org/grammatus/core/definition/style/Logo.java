package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonPropertyOrder;

/**
 * A picture at the right of a report's title.
 *
 * @param png the file (ISO/IEC 15948), in Base64
 * @param width millimetres; its height follows
 */
@JsonPropertyOrder({"png", "width"})
public record Logo(String png, int width) {}
