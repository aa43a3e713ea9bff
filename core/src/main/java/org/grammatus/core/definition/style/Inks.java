package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.Optional;

/**
 * Inks, as {@code #rrggbb}.
 *
 * @param text of what is read
 * @param quiet of what stands beside
 * @param rule of lines
 * @param rows of the lines below rows
 * @param negative of figures below zero, where they have an ink of their own
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
public record Inks(
        Optional<String> text,
        Optional<String> quiet,
        Optional<String> rule,
        Optional<String> rows,
        Optional<String> negative) {}
