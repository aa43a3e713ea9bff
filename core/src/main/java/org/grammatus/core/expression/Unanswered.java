package org.grammatus.core.expression;

import java.util.Optional;
import java.util.Set;

/**
 * No answer restricts nothing: what is left of a condition that restricts, where some prompts have no answer. NOT is moved inwards
 * first; each single condition that reads such a prompt is then TRUE, negated or not. So an AND keeps its other parts, and an OR
 * with such a part restricts nothing. {@code BETWEEN} is one condition, of which an open side is unbounded. {@code :p IS NULL} and
 * {@code COALESCE(:p, …)} read the answer as NULL, on purpose, and stay; an aggregate's {@code FILTER} is a condition of its own.
 */
public final class Unanswered {

    private final Set<String> prompts;

    private Unanswered(Set<String> prompts) {
        this.prompts = prompts;
    }

    /**
     * What is left of a condition; one that reads no such prompt is left as it is.
     *
     * @param prompts names of the prompts without an answer
     * @return nothing when the condition is TRUE whatever the row
     */
    public static Optional<Expression> removed(Expression condition, Set<String> prompts) {
        Unanswered unanswered = new Unanswered(prompts);
        return unanswered.reads(condition) ? unanswered.left(condition, false) : Optional.of(condition);
    }

    /** What is left of a condition or of its negation; nothing where that is TRUE. */
    private Optional<Expression> left(Expression e, boolean negated) {
        return switch (e) {
            case Expression.Not n -> left(n.operand(), !negated);
            case Expression.Logic l -> logic(l, negated);
            case Expression.Between b -> between(b, b.negated() != negated);
            default -> reads(e) ? Optional.empty() : Optional.of(negated ? negated(e) : e);
        };
    }

    private Optional<Expression> logic(Expression.Logic l, boolean negated) {
        Optional<Expression> left = left(l.left(), negated);
        Optional<Expression> right = left(l.right(), negated);
        Connective connective = negated ? l.connective().dual() : l.connective();
        if (left.isPresent() && right.isPresent()) {
            return Optional.of(new Expression.Logic(connective, left.get(), right.get(), l.position()));
        }
        return connective == Connective.OR ? Optional.empty() : left.or(() -> right);
    }

    private Optional<Expression> between(Expression.Between b, boolean negated) {
        boolean low = reads(b.low());
        boolean high = reads(b.high());
        if (reads(b.value()) || (low && high)) {
            return Optional.empty();
        }
        if (low || high) {
            Comparator side = low ? Comparator.LESS_OR_EQUAL : Comparator.GREATER_OR_EQUAL;
            return Optional.of(new Expression.Compare(
                    negated ? side.negated() : side, b.value(), low ? b.high() : b.low(), b.position()));
        }
        return Optional.of(new Expression.Between(negated, b.value(), b.low(), b.high(), b.position()));
    }

    /** The negation of a single condition, in which NOT stands nowhere it need not. */
    private static Expression negated(Expression e) {
        return switch (e) {
            case Expression.Compare c ->
                new Expression.Compare(c.operator().negated(), c.left(), c.right(), c.position());
            case Expression.In in -> new Expression.In(!in.negated(), in.value(), in.list(), in.position());
            case Expression.Like l ->
                new Expression.Like(!l.negated(), l.value(), l.pattern(), l.escape(), l.position());
            case Expression.IsNull n -> new Expression.IsNull(!n.negated(), n.value(), n.position());
            default -> new Expression.Not(e, e.position());
        };
    }

    private boolean reads(Expression e) {
        return switch (e) {
            case Expression.Prompt p -> prompts.contains(p.name());
            case Expression.Coalesce c -> false;
            case Expression.IsNull n -> !(n.value() instanceof Expression.Prompt) && reads(n.value());
            case Expression.Over o -> reads(o.aggregate());
            case Expression.Standing s -> reads(s.value());
            case Expression.Aggregate a -> a.argument().map(this::reads).orElse(false);
            default -> e.anyOperand(this::reads);
        };
    }
}
