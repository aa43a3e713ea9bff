package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import org.grammatus.core.choice.Negative;

/**
 * How figures are printed.
 *
 * @param negative how those below zero are told apart
 * @param blank what stands where a column has no value
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"negative", "blank"})
public record FigureLook(Optional<Negative> negative, Optional<String> blank) {}
