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
 * @param date CLDR pattern of days, where neither report nor block has one
 * @param time of days with their time, likewise
 * @param grouping whether thousands stand apart, likewise
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"negative", "blank", "date", "time", "grouping"})
public record FigureLook(
        Optional<Negative> negative,
        Optional<String> blank,
        Optional<String> date,
        Optional<String> time,
        Optional<Boolean> grouping) {}
