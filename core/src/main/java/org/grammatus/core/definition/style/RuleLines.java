package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.math.BigDecimal;
import java.util.Optional;

/**
 * How thick lines are, in points; 0 draws none.
 *
 * @param columnHeadings below the headings of columns
 * @param headings below the headings of the outermost groups
 * @param outerTotal above a total of the outermost level
 * @param innerTotal above a total of any other level, and of what stands in the page's own lines
 * @param grandTotal above the grand total
 * @param belowGrandTotal below it
 * @param rows below every row
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"columnHeadings", "headings", "outerTotal", "innerTotal", "grandTotal", "belowGrandTotal", "rows"})
public record RuleLines(
        Optional<BigDecimal> columnHeadings,
        Optional<BigDecimal> headings,
        Optional<BigDecimal> outerTotal,
        Optional<BigDecimal> innerTotal,
        Optional<BigDecimal> grandTotal,
        Optional<BigDecimal> belowGrandTotal,
        Optional<BigDecimal> rows) {}
