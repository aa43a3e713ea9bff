package org.grammatus.core.edit.rule;

import org.grammatus.core.choice.Reach;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.problem.ProblemException;

/** Tells the rules that can be counted in totals from the others. */
public final class CountableRule {

    private CountableRule() {}

    /** Whether what a rule marks can be counted in totals: rows, each judged by itself. */
    public static boolean isCountable(ReportHighlight rule, DatasetModel dataset) {
        try {
            return rule.reach().map(place -> place.of() == Reach.ROW).orElse(true)
                    && isOfOneRow(ExpressionParser.parse(rule.when()), dataset);
        } catch (ProblemException e) {
            return false;
        }
    }

    private static boolean isOfOneRow(Expression tree, DatasetModel dataset) {
        return !(tree instanceof Expression.Aggregate
                        || tree instanceof Expression.Over
                        || tree instanceof Expression.Standing
                        || tree instanceof Expression.Name name && isMeasure(name.name(), dataset))
                && tree.operands().stream().allMatch(operand -> isOfOneRow(operand, dataset));
    }

    private static boolean isMeasure(String name, DatasetModel dataset) {
        return dataset.measures().stream().anyMatch(measure -> measure.id().equals(name));
    }
}
