package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;

/**
 * A class of numbers.
 *
 * @param upTo the largest number in it, as people write it; none for the last class, which takes the rest
 * @param label what it is called; made from its edges unless given
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"upTo", "label"})
public record NumberClass(Optional<String> upTo, Optional<String> label) {}
