package org.grammatus.core.expression;

import java.util.Optional;
import java.util.Set;

/**
 * No answer restricts nothing: takes out of a filter's condition what reads a prompt without an answer. A comparison, an
 * {@code IN} or one side of a {@code BETWEEN} goes; an AND, OR or NOT left empty goes too; {@code :p IS NULL} stays.
 */
public final class Unanswered {

    private final Set<String> prompts;

    private Unanswered(Set<String> prompts) {
        this.prompts = prompts;
    }

    /**
     * What is left of a condition.
     *
     * @param prompts names of the prompts without an answer
     * @return nothing when no part of the condition applies
     */
    public static Optional<Expression> removed(Expression condition, Set<String> prompts) {
        return prompts.isEmpty() ? Optional.of(condition) : new Unanswered(prompts).keep(condition);
    }

    private Optional<Expression> keep(Expression e) {
        return switch (e) {
            case Expression.Logic l -> {
                Optional<Expression> left = keep(l.left());
                Optional<Expression> right = keep(l.right());
                yield left.isEmpty()
                        ? right
                        : right.isEmpty()
                                ? left
                                : Optional.of(
                                        new Expression.Logic(l.connective(), left.get(), right.get(), l.position()));
            }
            case Expression.Not n -> keep(n.operand()).map(operand -> new Expression.Not(operand, n.position()));
            case Expression.Compare c -> unless(reads(c.left()) || reads(c.right()), c);
            case Expression.Between b -> between(b);
            case Expression.In in ->
                unless(reads(in.value()) || in.list().stream().anyMatch(this::reads), in);
            case Expression.Like l -> unless(reads(l.value()) || reads(l.pattern()), l);
            case Expression.Prompt p -> unless(reads(p), p);
            default -> Optional.of(e);
        };
    }

    private Optional<Expression> between(Expression.Between b) {
        boolean low = reads(b.low());
        boolean high = reads(b.high());
        if (reads(b.value()) || (low && high)) {
            return Optional.empty();
        }
        if (low || high) {
            Comparator comparator = low ? Comparator.LESS_OR_EQUAL : Comparator.GREATER_OR_EQUAL;
            Expression side = new Expression.Compare(comparator, b.value(), low ? b.high() : b.low(), b.position());
            return Optional.of(b.negated() ? new Expression.Not(side, b.position()) : side);
        }
        return Optional.of(b);
    }

    private static Optional<Expression> unless(boolean removed, Expression e) {
        return removed ? Optional.empty() : Optional.of(e);
    }

    private boolean reads(Expression e) {
        return switch (e) {
            case Expression.Prompt p -> prompts.contains(p.name());
            // COALESCE reads an unanswered prompt as NULL, on purpose.
            case Expression.Coalesce c -> false;
            // A test for NULL is how a condition asks whether there is an answer.
            case Expression.IsNull n -> false;
            default -> e.operands().stream().anyMatch(this::reads);
        };
    }
}
