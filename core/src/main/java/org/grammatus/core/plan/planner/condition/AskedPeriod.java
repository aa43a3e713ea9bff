package org.grammatus.core.plan.planner.condition;

import static org.grammatus.core.expression.Expressions.and;
import static org.grammatus.core.expression.Expressions.compare;
import static org.grammatus.core.expression.Expressions.dayAfter;

import org.grammatus.core.expression.Comparator;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Expressions;

/** A period or a range that a prompt asks for, as its two ends in an expression. */
final class AskedPeriod {

    private static final String FROM = "_from";
    private static final String TO = "_to";

    private AskedPeriod() {}

    /** Whether a value lies in it: from its first day 00:00 up to, not including, the day after its last, which counts whole. */
    static Expression contains(Expression value, String prompt) {
        return and(
                compare(value, Comparator.GREATER_OR_EQUAL, Expressions.prompt(prompt + FROM)),
                compare(value, Comparator.LESS, dayAfter(Expressions.prompt(prompt + TO))));
    }

    /** Whether a value lies between its ends, or does not, as one condition. */
    static Expression between(boolean negated, Expression value, String prompt) {
        return new Expression.Between(
                negated,
                value,
                Expressions.prompt(prompt + FROM),
                Expressions.prompt(prompt + TO),
                Expressions.NOWHERE);
    }
}
