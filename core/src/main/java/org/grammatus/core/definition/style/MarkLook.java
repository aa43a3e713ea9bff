package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;

/**
 * A look of what highlights mark: it is told apart by its sign and its word, never by colour alone.
 *
 * @param name what authors choose it by
 * @param sign one character beside what is marked
 * @param word what it stands for, in the legend
 * @param fill behind it, as {@code #rrggbb}; none where the paper shows
 * @param ink of it, as {@code #rrggbb}; that of its text unless given
 * @param bold whether it is set in the bolder face
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "name", "sign", "word", "fill", "ink", "bold"})
public record MarkLook(
        String id,
        String name,
        String sign,
        Optional<String> word,
        Optional<String> fill,
        Optional<String> ink,
        Optional<Boolean> bold) {}
