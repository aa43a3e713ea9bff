package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import org.grammatus.core.choice.Orientation;
import org.grammatus.core.choice.PaperSize;
import org.grammatus.core.choice.layout.PageLine;
import org.grammatus.core.choice.layout.PageLines;

/**
 * The paper. Margins in millimetres.
 *
 * @param size in the place of the paper, where it is none of those
 * @param mirrored whether left and right margins change places on the backs of paper printed on both sides
 * @param header text at the left of every page but the first; the title unless given
 * @param footer text at the left below every page; dataset and business date unless given
 * @param lines what else stands at the edges of pages
 * @param watermark a word across every page
 * @param draft whether the watermark, else the word for a draft, is there only until the report is offered to others
 * @param pages on how many it is to fit, in smaller type, down to half
 * @param block id of the block whose rows its texts add up; the only table unless given
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "paper",
    "size",
    "orientation",
    "margins",
    "mirrored",
    "header",
    "footer",
    "lines",
    "watermark",
    "draft",
    "pages",
    "block"
})
@RecordBuilder
public record PageSetup(
        PaperSize paper,
        Optional<Size> size,
        Orientation orientation,
        Margins margins,
        Optional<Boolean> mirrored,
        Optional<String> header,
        Optional<String> footer,
        Optional<PageLines<String>> lines,
        Optional<String> watermark,
        Optional<Boolean> draft,
        Optional<Integer> pages,
        Optional<String> block)
        implements PageSetupBuilder.With {

    /** The same with all its texts changed. */
    PageSetup mapped(DefinitionMapping to) {
        return new PageSetup(
                paper,
                size,
                orientation,
                margins,
                mirrored,
                header.map(to::pageText),
                footer.map(to::pageText),
                lines.map(all -> new PageLines<>(
                        all.header().map(line -> mapped(line, to)),
                        all.footer().map(line -> mapped(line, to)),
                        all.firstHeader().map(line -> mapped(line, to)),
                        all.firstFooter().map(line -> mapped(line, to)))),
                watermark,
                draft,
                pages,
                block.map(to::part));
    }

    /** The same once a block is gone: its texts add up the rows of the only table again. */
    public PageSetup withoutBlock(String id) {
        return withBlock(block.filter(own -> !own.equals(id)));
    }

    /** The same without what marks a draft. */
    PageSetup offered() {
        return draft.orElse(false) ? withWatermark(Optional.empty()).withDraft(Optional.empty()) : this;
    }

    private static PageLine<String> mapped(PageLine<String> line, DefinitionMapping to) {
        return new PageLine<>(
                line.start().map(to::pageText),
                line.centre().map(to::pageText),
                line.end().map(to::pageText));
    }

    @JsonPropertyOrder({"top", "right", "bottom", "left"})
    public record Margins(int top, int right, int bottom, int left) {}

    /** Width and height of paper that is no usual one, in millimetres, as it is printed. */
    @JsonPropertyOrder({"width", "height"})
    public record Size(int width, Optional<Integer> height) {}
}
