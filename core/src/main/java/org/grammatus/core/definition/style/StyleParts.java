package org.grammatus.core.definition.style;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.layout.PageLines;

/**
 * What a style says, or what a report says otherwise than its style. All of it may be left out.
 *
 * @param face the name of what texts are set in: one that comes along, or one that was added
 * @param texts how texts look, by what they are
 * @param marks the looks that highlights choose from; all of them or none are given
 * @param palette colours of series, as {@code #rrggbb}; all of them or none are given
 * @param logo a picture at the right of the title
 * @param edges what stands at the edges of pages of reports that say nothing of them
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"face", "inks", "texts", "rules", "spacing", "figures", "marks", "palette", "logo", "edges"})
public record StyleParts(
        Optional<String> face,
        Optional<Inks> inks,
        Optional<List<TextLook>> texts,
        Optional<RuleLines> rules,
        Optional<Spacing> spacing,
        Optional<FigureLook> figures,
        Optional<List<MarkLook>> marks,
        Optional<List<String>> palette,
        Optional<Logo> logo,
        Optional<PageLines<String>> edges) {}
