package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.ParagraphKind;
import org.grammatus.core.choice.TextSize;

/**
 * A paragraph of a text.
 *
 * @param text what it says, with expressions over the block's rows in braces; below its line for a signature
 * @param size normal unless given
 * @param align at the start unless given
 * @param lines how many empty lines there are to write on
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "kind", "text", "size", "align", "lines"})
public record ReportParagraph(
        String id,
        ParagraphKind kind,
        Optional<String> text,
        Optional<TextSize> size,
        Optional<Align> align,
        Optional<Integer> lines) {

    /** The same with all its texts changed. */
    ReportParagraph mapped(DefinitionMapping to) {
        return new ReportParagraph(to.part(id), kind, to.template(text), size, align, lines);
    }
}
