package org.grammatus.core.expression;

import java.util.Locale;
import java.util.function.UnaryOperator;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonTokenStream;
import org.grammatus.core.expression.grammar.SqlBaseVisitor;
import org.grammatus.core.expression.grammar.SqlLexer;
import org.grammatus.core.expression.grammar.SqlParser;
import org.grammatus.core.problem.ProblemException;

/** Puts another name in place of a field's in what people wrote; everything else stays as they wrote it. */
public final class RenamedText {

    private RenamedText() {}

    /** An expression with the name changed; one that cannot be parsed stays as it is. */
    public static String expression(String text, String from, String to) {
        try {
            ExpressionParser.parse(text);
        } catch (ProblemException e) {
            return text;
        }
        CommonTokenStream tokens = new CommonTokenStream(new SqlLexer(CharStreams.fromString(text)));
        StringBuilder renamed = new StringBuilder();
        int[] copied = new int[1];
        new SqlBaseVisitor<Void>() {
            @Override
            public Void visitField(SqlParser.FieldContext field) {
                if (isCalled(field, from)) {
                    renamed.append(text, copied[0], index(text, field.getStart().getStartIndex()))
                            .append(References.to(to));
                    copied[0] = index(text, field.getStop().getStopIndex() + 1);
                }
                return null;
            }
        }.visit(new SqlParser(tokens).statement());
        return renamed.append(text, copied[0], text.length()).toString();
    }

    /** The parser counts characters, a text counts units of UTF-16. */
    private static int index(String text, int characters) {
        return text.offsetByCodePoints(0, characters);
    }

    private static boolean isCalled(SqlParser.FieldContext field, String name) {
        String text = field.getText();
        return field.name().QUOTED_NAME() == null
                ? text.toLowerCase(Locale.ROOT).equals(name)
                : text.equals(quoted(name));
    }

    /** A template with the name changed in its expressions; one that cannot be parsed stays as it is. */
    public static String template(String text, String from, String to) {
        return slots(text, expression -> expression(expression, from, to));
    }

    /** A template with each of its expressions changed; one that cannot be parsed stays as it is. */
    static String slots(String text, UnaryOperator<String> change) {
        Template template;
        try {
            template = Template.parse(text);
        } catch (ProblemException e) {
            return text;
        }
        UnaryOperator<String> doubled = literal -> literal.replace("{", "{{").replace("}", "}}");
        StringBuilder renamed = new StringBuilder();
        for (Template.Part part : template.parts()) {
            switch (part) {
                case Template.Part.Literal literal -> renamed.append(doubled.apply(literal.text()));
                case Template.Part.Slot slot ->
                    renamed.append('{').append(change.apply(slot.expression())).append('}');
            }
        }
        return renamed.toString();
    }

    private static String quoted(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }
}
