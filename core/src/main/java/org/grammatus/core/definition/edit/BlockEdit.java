package org.grammatus.core.definition.edit;

import java.util.Optional;
import org.grammatus.core.choice.ParagraphKind;
import org.grammatus.core.definition.ReportBlock;

/** An edit of a report's blocks. */
public sealed interface BlockEdit extends ReportEdit {

    /** What can be added. */
    enum Addable {
        /** A table about nothing yet. */
        TABLE,
        /** A table of the same measures as the one that is worked on. */
        LIKEWISE,
        /** The key figures of the totals of the table that is worked on. */
        FIGURES,
        TEXT
    }

    @NamedEdit(value = "add-block", does = "Adds a block below the others.")
    record AddBlock(Addable kind) implements BlockEdit {}

    /** @param title what the copy is called; as the original unless given */
    @NamedEdit(
            value = "copy-block",
            does = "Adds a copy of a block below the others, its parts under ids of their own.")
    record CopyBlock(String block, Optional<String> title) implements BlockEdit {}

    @NamedEdit(
            value = "paste-block",
            does = "Adds a block of this report or another, its parts under ids of their own.")
    record PasteBlock(ReportBlock block) implements BlockEdit {}

    /** @param text what it says at first; empty lines say nothing */
    @NamedEdit(value = "add-paragraph", does = "Adds a paragraph to the text that is worked on.")
    record AddParagraph(ParagraphKind kind, Optional<String> text) implements BlockEdit {}

    @NamedEdit(value = "remove-block", does = "Removes a block; the last that is switched on stays.")
    record RemoveBlock(String block) implements BlockEdit {}
}
