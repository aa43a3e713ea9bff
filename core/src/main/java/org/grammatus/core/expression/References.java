package org.grammatus.core.expression;

import org.grammatus.core.problem.ProblemException;

/** How a field is called in an expression. */
public final class References {

    private References() {}

    /** A field's id as an expression names it: quoted only where it would be read as something else. */
    public static String to(String fieldId) {
        try {
            if (ExpressionParser.parse(fieldId) instanceof Expression.Name name
                    && name.name().equals(fieldId)) {
                return fieldId;
            }
        } catch (ProblemException e) {
            // A keyword, or not a name at all: quoted below.
        }
        return '"' + fieldId.replace("\"", "\"\"") + '"';
    }
}
