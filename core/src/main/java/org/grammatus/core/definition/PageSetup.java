package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import org.grammatus.core.choice.Orientation;
import org.grammatus.core.choice.PaperSize;

/**
 * The paper. Margins in millimetres.
 *
 * @param header text at the left of every page but the first; the title unless given
 * @param footer text at the left below every page; dataset and business date unless given
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"paper", "orientation", "margins", "header", "footer"})
public record PageSetup(
        PaperSize paper, Orientation orientation, Margins margins, Optional<String> header, Optional<String> footer) {
    @JsonPropertyOrder({"top", "right", "bottom", "left"})
    public record Margins(int top, int right, int bottom, int left) {}
}
