package org.grammatus.core.expression;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonTokenStream;
import org.grammatus.core.expression.grammar.SqlBaseVisitor;
import org.grammatus.core.expression.grammar.SqlLexer;
import org.grammatus.core.expression.grammar.SqlParser;
import org.grammatus.core.problem.ProblemException;

/** Puts other names in place of those of levels, over whose groups windows reach; everything else stays as people wrote it. */
public final class RenamedLevels {

    private final String text;
    private final Map<String, String> names;
    private final StringBuilder renamed = new StringBuilder();
    private int copied;

    private RenamedLevels(String text, Map<String, String> names) {
        this.text = text;
        this.names = names;
    }

    /**
     * An expression with the levels of its windows called otherwise; one that cannot be parsed stays as it is.
     *
     * @param names the new name of each level that has one
     */
    public static String expression(String text, Map<String, String> names) {
        try {
            ExpressionParser.parse(text);
        } catch (ProblemException e) {
            return text;
        }
        return new RenamedLevels(text, names).renamed();
    }

    /** A template with the levels in its expressions called otherwise; one that cannot be parsed stays as it is. */
    public static String template(String text, Map<String, String> names) {
        return RenamedText.slots(text, expression -> expression(expression, names));
    }

    private String renamed() {
        CommonTokenStream tokens = new CommonTokenStream(new SqlLexer(CharStreams.fromString(text)));
        new SqlBaseVisitor<Void>() {
            @Override
            public Void visitOverClause(SqlParser.OverClauseContext over) {
                Stream.concat(over.partition.stream(), Stream.ofNullable(over.stepped))
                        .forEach(RenamedLevels.this::rename);
                return null;
            }

            @Override
            public Void visitRanked(SqlParser.RankedContext ranked) {
                List.copyOf(ranked.partition).forEach(RenamedLevels.this::rename);
                return visit(ranked.by);
            }
        }.visit(new SqlParser(tokens).statement());
        return renamed.append(text, copied, text.length()).toString();
    }

    private void rename(SqlParser.NameContext name) {
        String called = name.QUOTED_NAME() == null
                ? name.getText().toLowerCase(Locale.ROOT)
                : name.getText().substring(1, name.getText().length() - 1).replace("\"\"", "\"");
        String other = names.get(called);
        if (other != null) {
            renamed.append(
                            text,
                            copied,
                            text.offsetByCodePoints(0, name.getStart().getStartIndex()))
                    .append(References.to(other));
            copied = text.offsetByCodePoints(0, name.getStop().getStopIndex() + 1);
        }
    }
}
