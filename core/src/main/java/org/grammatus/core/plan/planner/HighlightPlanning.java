package org.grammatus.core.plan.planner;

import org.grammatus.core.choice.Look;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.HighlightPlan;

/** Plans the rules that mark rows. */
final class HighlightPlanning {

    private HighlightPlanning() {}

    /**
     * A rule. It is about the rows that are printed, unless it adds up what it does not say the group of.
     *
     * @param printsRows whether rows are printed
     * @throws org.grammatus.core.problem.ProblemException if its condition is wrong
     */
    static HighlightPlan planned(
            String id, String label, Look look, String pointer, String text, Names names, boolean printsRows) {
        Expression parsed = ExpressionParser.parse(text, names.fieldLabels());
        boolean scope = printsRows ? Typing.aggregatesItsPlace(parsed, names) : Typing.aggregates(parsed, names);
        Typed when = Typing.condition(parsed, names, scope ? Typing.Place.SCOPE : Typing.Place.CELL);
        return new HighlightPlan(id, label, look, pointer, text, when, scope);
    }

    /** The same rule where rows are printed or not. */
    static HighlightPlan again(HighlightPlan rule, Names names, boolean printsRows) {
        return planned(rule.id(), rule.label(), rule.look(), rule.pointer(), rule.text(), names, printsRows);
    }
}
