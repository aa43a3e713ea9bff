package org.grammatus.core.expression;

import java.util.EnumSet;
import java.util.Set;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonTokenStream;
import org.antlr.v4.runtime.ParserRuleContext;
import org.grammatus.core.expression.grammar.SqlBaseVisitor;
import org.grammatus.core.expression.grammar.SqlLexer;
import org.grammatus.core.expression.grammar.SqlParser;
import org.grammatus.core.problem.ProblemException;

/** Changes what aggregates in an expression are of; everything else stays as people wrote it. */
public final class AggregateText {

    private static final Set<AggregateFunction> NUMERIC =
            EnumSet.of(AggregateFunction.SUM, AggregateFunction.AVG, AggregateFunction.MEDIAN);

    private AggregateText() {}

    /** Whether an expression is a sum, and nothing more. */
    public static boolean isSum(String text) {
        try {
            return ExpressionParser.parse(text) instanceof Expression.Aggregate aggregate
                    && aggregate.function() == AggregateFunction.SUM;
        } catch (ProblemException e) {
            return false;
        }
    }

    /** Whether an expression has a sum, an average or a median in it, which only numbers have. */
    public static boolean needsNumbers(String text) {
        try {
            return needsNumbers(ExpressionParser.parse(text));
        } catch (ProblemException e) {
            return false;
        }
    }

    private static boolean needsNumbers(Expression tree) {
        return tree instanceof Expression.Aggregate aggregate && NUMERIC.contains(aggregate.function())
                || tree.anyOperand(AggregateText::needsNumbers);
    }

    /**
     * An expression in which aggregates of one value are aggregates of another. One that cannot be parsed stays as it is.
     *
     * @param before the value as it is written in the expression
     * @param after the value that takes its place
     */
    public static String of(String text, String before, String after) {
        try {
            ExpressionParser.parse(text);
        } catch (ProblemException e) {
            return text;
        }
        StringBuilder changed = new StringBuilder();
        int[] copied = new int[1];
        new SqlBaseVisitor<Void>() {
            @Override
            public Void visitAggregate(SqlParser.AggregateContext aggregate) {
                ParserRuleContext argument = aggregate.expression();
                int start = index(text, argument.getStart().getStartIndex());
                int end = index(text, argument.getStop().getStopIndex() + 1);
                if (text.substring(start, end).equals(before.trim())) {
                    changed.append(text, copied[0], start).append(after);
                    copied[0] = end;
                }
                return null;
            }
        }.visit(new SqlParser(new CommonTokenStream(new SqlLexer(CharStreams.fromString(text)))).statement());
        return changed.append(text, copied[0], text.length()).toString();
    }

    /** The parser counts characters, a text counts units of UTF-16. */
    private static int index(String text, int characters) {
        return text.offsetByCodePoints(0, characters);
    }
}
