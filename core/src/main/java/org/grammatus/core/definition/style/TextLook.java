package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.math.BigDecimal;
import java.util.Optional;
import org.grammatus.core.choice.TextStyle;

/**
 * How one kind of text looks.
 *
 * @param of the kind
 * @param size points
 * @param ink {@code text}, {@code quiet} or {@code #rrggbb}
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"of", "size", "bold", "ink"})
public record TextLook(TextStyle of, Optional<BigDecimal> size, Optional<Boolean> bold, Optional<String> ink) {}
