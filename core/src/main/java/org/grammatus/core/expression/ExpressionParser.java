package org.grammatus.core.expression;

import java.util.List;
import java.util.Map;
import org.antlr.v4.runtime.BaseErrorListener;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonTokenStream;
import org.antlr.v4.runtime.RecognitionException;
import org.antlr.v4.runtime.Recognizer;
import org.antlr.v4.runtime.Token;
import org.antlr.v4.runtime.misc.IntervalSet;
import org.grammatus.core.expression.grammar.SqlLexer;
import org.grammatus.core.expression.grammar.SqlParser;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Cancelled;

/** Parses the text of an expression. */
public final class ExpressionParser {

    /** The most words and signs an expression may have; a longer one belongs into fields of its own. */
    static final int MOST_TOKENS = 2_000;
    /** How deep parentheses may stand in each other, and how many signs or NOT one after the other. */
    static final int DEEPEST_NESTING = 100;
    /** How many operators may follow each other in one expression, each taking the result of the one before. */
    static final int LONGEST_CHAIN = 250;

    private ExpressionParser() {}

    /**
     * Parses an expression.
     *
     * @throws ProblemException with the position of the first fault
     */
    public static Expression parse(String text) {
        // A definition may have many thousands of expressions.
        Cancelled.check();
        SqlLexer lexer = new SqlLexer(CharStreams.fromString(text));
        lexer.removeErrorListeners();
        CommonTokenStream tokens = new CommonTokenStream(lexer);
        tokens.fill();
        checkSize(tokens);
        SqlParser parser = new SqlParser(tokens);
        parser.removeErrorListeners();
        parser.addErrorListener(new FirstFault());
        Expression expression = new TreeBuilder().visit(parser.statement().expression());
        if (isDeeper(expression, LONGEST_CHAIN)) {
            throw fault(
                    expression.position(),
                    "more than " + LONGEST_CHAIN + " operators take each other's results; use IN for a long list of"
                            + " values, or split the expression up");
        }
        return expression;
    }

    /**
     * Parses an expression of things that people call by labels, which may have several words and are no names.
     *
     * @param labels what each name is called
     * @throws ProblemException with the position of the first fault, and the name of what was written by its label
     */
    public static Expression parse(String text, Map<String, String> labels) {
        try {
            return parse(text);
        } catch (ProblemException e) {
            String hint = Suggestion.labelIn(text, labels);
            Problem first = e.problems().getFirst();
            throw hint.isEmpty()
                    ? e
                    : new ProblemException(
                            Problem.error(first.pointer(), first.position().orElseThrow(), first.message() + hint));
        }
    }

    /** Whether an expression has parts inside parts more often than so many times. */
    private static boolean isDeeper(Expression expression, int levels) {
        List<Expression> level = List.of(expression);
        for (int depth = 0; depth < levels && !level.isEmpty(); depth++) {
            level = level.stream().flatMap(e -> e.operands().stream()).toList();
        }
        return !level.isEmpty();
    }

    static ProblemException fault(Position position, String message) {
        return new ProblemException(Problem.error("", position, message));
    }

    static Position position(Token token) {
        return new Position(token.getLine(), token.getCharPositionInLine() + 1);
    }

    private static void checkSize(CommonTokenStream tokens) {
        int depth = 0;
        int signs = 0;
        for (Token token : tokens.getTokens()) {
            signs = switch (token.getType()) {
                case SqlLexer.NOT, SqlLexer.MINUS, SqlLexer.PLUS -> signs + 1;
                default -> 0;
            };
            switch (token.getType()) {
                case SqlLexer.LPAREN, SqlLexer.CASE -> depth++;
                case SqlLexer.RPAREN, SqlLexer.END -> depth--;
                case SqlLexer.UNEXPECTED -> throw fault(position(token), unexpected(token.getText()));
                default -> {}
            }
            if (depth > DEEPEST_NESTING || signs > DEEPEST_NESTING) {
                throw fault(position(token), "nested deeper than " + DEEPEST_NESTING + "; split the expression up");
            }
        }
        if (tokens.size() > MOST_TOKENS) {
            throw fault(
                    position(tokens.get(MOST_TOKENS)),
                    "longer than " + MOST_TOKENS + " words and signs; split the expression up");
        }
    }

    private static String unexpected(String text) {
        return switch (text) {
            case "'" -> "found a text without its closing '";
            case "\"" -> "found a quoted name without its closing \"";
            case ":" -> "found \":\" without a prompt's name after it";
            case "!" -> "found \"!\", expected <> for \"not equal\"";
            default -> "found \"" + text + "\", which no expression contains";
        };
    }

    /** Ends the parse at the first fault, in the words of a person who writes expressions. */
    private static final class FirstFault extends BaseErrorListener {
        @Override
        public void syntaxError(
                Recognizer<?, ?> recognizer, Object symbol, int line, int column, String m, RecognitionException e) {
            Token token = (Token) symbol;
            SqlParser parser = (SqlParser) recognizer;
            String found = token.getType() == Token.EOF ? "the end" : "\"" + token.getText() + "\"";
            throw fault(position(token), "found " + found + ", expected " + expected(parser));
        }

        /** What may come next; where a value has just ended, an operator always may. */
        private static String expected(SqlParser parser) {
            IntervalSet tokens = parser.getExpectedTokens();
            if (tokens.contains(SqlParser.NUMBER)) {
                return "a value";
            }
            if (tokens.contains(Token.EOF)) {
                return "an operator or the end";
            }
            if (tokens.contains(SqlParser.RPAREN)) {
                return "an operator or \")\"";
            }
            return tokens.toString(parser.getVocabulary());
        }
    }
}
