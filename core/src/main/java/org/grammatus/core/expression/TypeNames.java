package org.grammatus.core.expression;

import java.util.List;
import java.util.Locale;
import org.grammatus.core.expression.grammar.SqlParser;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Type;

/** The names that CAST knows types by. */
final class TypeNames {

    private static final List<String> KNOWN = List.of("VARCHAR", "INTEGER", "DECIMAL", "DATE", "TIMESTAMP", "BOOLEAN");

    private TypeNames() {}

    /** The type that is named; of the two numbers of a decimal the second is its scale. */
    static Type type(SqlParser.TypeNameContext c) {
        String name = c.getStart().getText().toUpperCase(Locale.ROOT);
        if (!name.equals("DECIMAL") && !c.NUMBER().isEmpty()) {
            throw ExpressionParser.fault(
                    ExpressionParser.position(c.getStart()), name + " has no length or scale here; leave it out");
        }
        return switch (name) {
            case "VARCHAR" -> Type.TEXT;
            case "INTEGER" -> Type.INTEGER;
            case "DECIMAL" -> Type.decimal(scale(c));
            case "DATE" -> Type.DATE;
            case "TIMESTAMP" -> Type.TIMESTAMP;
            case "BOOLEAN" -> Type.BOOLEAN;
            default ->
                throw ExpressionParser.fault(
                        ExpressionParser.position(c.getStart()),
                        "unknown type \"" + c.getStart().getText() + "\", expected one of " + String.join(", ", KNOWN)
                                + Suggestion.inWords(name, KNOWN));
        };
    }

    /** How a type is written. */
    static String name(Type type) {
        return switch (type.kind()) {
            case TEXT -> "VARCHAR";
            case INTEGER -> "INTEGER";
            case DECIMAL -> "DECIMAL(" + Type.MOST_DIGITS + ", " + type.scale() + ")";
            case DATE -> "DATE";
            case TIMESTAMP -> "TIMESTAMP";
            case BOOLEAN -> "BOOLEAN";
        };
    }

    private static int scale(SqlParser.TypeNameContext c) {
        if (c.NUMBER().size() < 2) {
            return 0;
        }
        String written = c.NUMBER(1).getText();
        if (!written.matches("\\d{1,2}") || Integer.parseInt(written) > Type.MOST_SCALE) {
            throw ExpressionParser.fault(
                    ExpressionParser.position(c.NUMBER(1).getSymbol()),
                    "found " + written + ", expected at most " + Type.MOST_SCALE + " digits after the point");
        }
        return Integer.parseInt(written);
    }
}
