package org.grammatus.core.expression;

import java.util.List;
import java.util.Optional;

/** {@code IN (:name)} where the name stands for several chosen values, blanks among them or not, or for all others. */
final class ChosenTyping {

    private ChosenTyping() {}

    /** What such a list comes to; none where it is any other list. */
    static Optional<Typed> of(Expression.In in, Typing typing) {
        return in.list().size() == 1 && in.list().getFirst() instanceof Expression.Prompt prompt
                ? typing.names().chosen(prompt.name()).map(chosen -> among(in, chosen, typing))
                : Optional.empty();
    }

    private static Typed among(Expression.In in, Names.Chosen chosen, Typing typing) {
        Expression value = in.value();
        Expression isBlank = new Expression.IsNull(false, value, in.position());
        Expression isNotBlank = new Expression.IsNull(true, value, in.position());
        List<Expression> values = chosen.values().stream()
                .map(one -> (Expression) new Expression.Literal(one, in.position()))
                .toList();
        if (values.isEmpty()) {
            return typing.visit(chosen.blank() != chosen.except() ? isBlank : isNotBlank);
        }
        Typed any = typing.anyOf(value, values);
        if (!chosen.except()) {
            return chosen.blank() ? new Typed.Logic(Connective.OR, any, typing.visit(isBlank)) : any;
        }
        // All others: values to come are among them, and blanks unless they were left out.
        Typed others = new Typed.Not(any);
        return new Typed.Logic(
                chosen.blank() ? Connective.AND : Connective.OR,
                others,
                typing.visit(chosen.blank() ? isNotBlank : isBlank));
    }
}
