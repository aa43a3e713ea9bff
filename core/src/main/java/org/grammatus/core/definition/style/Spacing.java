package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.math.BigDecimal;
import java.util.Optional;

/**
 * The room between the parts of a page.
 *
 * @param lines from one line to the next, in percent of the size of its type
 * @param rows below every row, in points
 * @param groups above the headings of groups, in percent of what is usual
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"lines", "rows", "groups"})
public record Spacing(Optional<Integer> lines, Optional<BigDecimal> rows, Optional<Integer> groups) {}
