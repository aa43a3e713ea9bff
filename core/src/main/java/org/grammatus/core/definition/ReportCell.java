package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import org.grammatus.core.choice.Place;

/**
 * Where a total is printed: the level, and above or below its groups.
 *
 * @param at a level's id, or {@value #REPORT} for the grand total
 */
@JsonPropertyOrder({"at", "in"})
public record ReportCell(String at, Place in) {
    /** Stands for the whole report where a level's id is asked for. */
    public static final String REPORT = "report";

    /** The same with all its texts changed. */
    ReportCell mapped(DefinitionMapping to) {
        return at.equals(REPORT) ? this : new ReportCell(to.part(at), in);
    }
}
