package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import org.grammatus.core.choice.Reach;

/**
 * A rule that marks what its condition is true for and no rule before it has marked in the same place.
 *
 * @param when a condition of a row, or, with aggregates, of a group; of a key figure what it says, too
 * @param reach how much it marks; the row or line unless given
 * @param look id of a look of the house style
 * @param word printed beside what it marks, in place of the look's sign
 * @param also whether it marks, too, what a rule before it has marked
 * @param off whether the rule is kept but does not apply
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "label", "when", "reach", "look", "word", "also", "off"})
@RecordBuilder
public record ReportHighlight(
        String id,
        String label,
        String when,
        Optional<Place> reach,
        String look,
        Optional<String> word,
        Optional<Boolean> also,
        Optional<Boolean> off)
        implements ReportHighlightBuilder.With {

    /**
     * What of a block is marked.
     *
     * @param level id of the level whose groups it is about, or {@code report}; none for rows
     * @param column id of the column whose cell alone is marked; the whole line unless given
     * @param figure id of the key figure that is marked
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"of", "level", "column", "figure"})
    public record Place(Reach of, Optional<String> level, Optional<String> column, Optional<String> figure) {

        private Place mapped(DefinitionMapping to) {
            return new Place(
                    of,
                    level.map(at -> at.equals(ReportCell.REPORT) ? at : to.part(at)),
                    column.map(to::part),
                    figure.map(to::part));
        }
    }

    /** The same with all its texts changed. */
    ReportHighlight mapped(DefinitionMapping to) {
        return new ReportHighlight(
                to.part(id), label, to.expression(when), reach.map(place -> place.mapped(to)), look, word, also, off);
    }
}
