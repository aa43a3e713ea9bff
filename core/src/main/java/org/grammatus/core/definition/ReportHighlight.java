package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import org.grammatus.core.choice.Look;

/**
 * A rule that marks rows: those for which its condition is true and no rule before it is.
 *
 * @param when a condition of a row, or, with aggregates, of a group printed as a line
 * @param off whether the rule is kept but does not apply
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "label", "when", "look", "off"})
public record ReportHighlight(String id, String label, String when, Look look, Optional<Boolean> off) {

    /** The same with all its texts changed. */
    ReportHighlight mapped(DefinitionMapping to) {
        return new ReportHighlight(to.part(id), label, to.expression(when), look, off);
    }
}
