package org.grammatus.core.plan;

import java.util.List;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.TextSize;

/**
 * A text with everything resolved. Immutable.
 *
 * @param facts a table without groups whose grand totals are the values of the text's expressions
 */
public record TextPlan(TablePlan facts, List<Paragraph> paragraphs) implements BlockPlan {

    public TextPlan {
        paragraphs = List.copyOf(paragraphs);
    }

    /** A paragraph by what it is for. */
    public sealed interface Paragraph {

        /** Its id in the definition. */
        String id();
    }

    /** Something to read. */
    public record Words(String id, List<Piece> pieces, TextSize size, Align align) implements Paragraph {

        public Words {
            pieces = List.copyOf(pieces);
        }
    }

    /** A line to sign on, with words below it. */
    public record Signature(String id, List<Piece> pieces, Align align) implements Paragraph {

        public Signature {
            pieces = List.copyOf(pieces);
        }
    }

    /** An empty ruled line to write on. */
    public record Line(String id) implements Paragraph {}

    /** A piece of a paragraph's text. */
    public sealed interface Piece {}

    public record Literal(String text) implements Piece {}

    /**
     * The value of an expression.
     *
     * @param total id of the total that it is
     */
    public record Value(String total) implements Piece {}

    @Override
    public TextPlan with(TablePlan other) {
        return new TextPlan(other, paragraphs);
    }
}
