package org.grammatus.core.expression;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.problem.ProblemException;

/**
 * A text with expressions in braces: {@code Order {order_number}, {COUNT(*)} lines}. A doubled brace stands for itself.
 * Immutable.
 */
public record Template(List<Part> parts) {

    /** A piece of a template. */
    public sealed interface Part {

        /** Text that is printed as it stands. */
        record Literal(String text) implements Part {}

        /**
         * What stood between braces.
         *
         * @param position where it starts in the template
         */
        record Slot(String expression, Position position) implements Part {}
    }

    /** How many expressions a text may hold: each is read, typed and computed. */
    static final int MOST_SLOTS = 200;

    /**
     * Takes a template apart.
     *
     * @throws ProblemException with the position of a brace that is not closed or holds nothing, or of the first of too many
     */
    public static Template parse(String text) {
        List<Part> parts = new ArrayList<>();
        StringBuilder literal = new StringBuilder();
        int slots = 0;
        int i = 0;
        while (i < text.length()) {
            char c = text.charAt(i);
            boolean doubled = (c == '{' || c == '}') && i + 1 < text.length() && text.charAt(i + 1) == c;
            if (doubled || c != '{') {
                literal.append(c);
                i += doubled ? 2 : 1;
                continue;
            }
            int end = closing(text, i);
            String expression = text.substring(i + 1, end);
            if (expression.isBlank()) {
                throw fault(text, i, "found {} with nothing in it; put an expression between the braces");
            }
            if (!literal.isEmpty()) {
                parts.add(new Part.Literal(literal.toString()));
                literal.setLength(0);
            }
            if (++slots > MOST_SLOTS) {
                throw fault(text, i, "the text has more than " + MOST_SLOTS + " expressions; split it up");
            }
            parts.add(new Part.Slot(expression, position(text, i + 1)));
            i = end + 1;
        }
        if (!literal.isEmpty()) {
            parts.add(new Part.Literal(literal.toString()));
        }
        return new Template(List.copyOf(parts));
    }

    /** The brace that closes one; braces inside quoted texts and names do not count. */
    private static int closing(String text, int open) {
        char quote = 0;
        for (int i = open + 1; i < text.length(); i++) {
            char c = text.charAt(i);
            if (quote != 0) {
                quote = c == quote ? 0 : quote;
            } else if (c == '\'' || c == '"') {
                quote = c;
            } else if (c == '}') {
                return i;
            }
        }
        throw fault(text, open, "found { without its closing }; write {{ for a brace that is printed");
    }

    private static ProblemException fault(String text, int index, String message) {
        return new ProblemException(Problem.error("", position(text, index), message));
    }

    private static Position position(String text, int index) {
        return new Position(1, text.codePointCount(0, index) + 1);
    }
}
