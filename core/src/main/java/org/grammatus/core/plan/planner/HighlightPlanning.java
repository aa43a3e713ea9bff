package org.grammatus.core.plan.planner;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.choice.Reach;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;

/** Plans the rules that mark rows and groups. */
final class HighlightPlanning {

    private HighlightPlanning() {}

    /**
     * A rule.
     *
     * @param printsRows whether rows are printed
     * @param problems takes what is wrong with its condition
     * @return none where what it marks is switched off
     */
    static Optional<HighlightPlan> planned(
            ReportHighlight rule,
            String pointer,
            List<LevelPlan> levels,
            List<ColumnPlan> columns,
            Names names,
            boolean printsRows,
            Problems problems) {
        return target(rule, levels, columns).map(target -> {
            HighlightPlan plan = untyped(rule, pointer, target);
            return problems.collect(pointer + "/when", () -> typed(plan, names, printsRows), plan);
        });
    }

    /**
     * A rule about key figures.
     *
     * @param column index of the figure that it marks
     * @param names what the figure says among them
     */
    static HighlightPlan ofFigure(ReportHighlight rule, String pointer, int column, Names names, Problems problems) {
        HighlightPlan plan = untyped(rule, pointer, new HighlightPlan.Target(Reach.FIGURE, 0, column));
        return problems.collect(pointer + "/when", () -> typed(plan, names, false), plan);
    }

    private static HighlightPlan untyped(ReportHighlight rule, String pointer, HighlightPlan.Target target) {
        return new HighlightPlan(
                rule.id(),
                rule.label(),
                rule.look(),
                rule.word().orElse(""),
                pointer,
                rule.when(),
                PlanExpressions.NOTHING,
                false,
                target,
                rule.also().orElse(false));
    }

    private static Optional<HighlightPlan.Target> target(
            ReportHighlight rule, List<LevelPlan> levels, List<ColumnPlan> columns) {
        if (rule.reach().isEmpty()) {
            return Optional.of(HighlightPlan.Target.ROWS);
        }
        ReportHighlight.Place place = rule.reach().get();
        int depth = place.level().map(id -> depth(id, levels)).orElse(HighlightPlan.ALL);
        int column = place.column().map(id -> TotalPlanning.column(id, columns)).orElse(HighlightPlan.ALL);
        boolean isOff = place.level().isPresent() && depth < 0 || place.column().isPresent() && column < 0;
        return isOff ? Optional.empty() : Optional.of(new HighlightPlan.Target(place.of(), depth, column));
    }

    private static int depth(String level, List<LevelPlan> levels) {
        return level.equals(ReportCell.REPORT)
                ? 0
                : IntStream.rangeClosed(1, levels.size())
                        .filter(depth -> levels.get(depth - 1).id().equals(level))
                        .findFirst()
                        .orElse(HighlightPlan.ALL);
    }

    /**
     * A rule with its condition typed. One of rows is about the rows that are printed, unless it adds up what it does not say the
     * group of; one of groups is about their first row where it adds up nothing.
     *
     * @throws ProblemException if its condition is wrong
     */
    static HighlightPlan typed(HighlightPlan rule, Names names, boolean printsRows) {
        Expression parsed = ExpressionParser.parse(rule.text(), names.fieldLabels());
        if (rule.target().of() == Reach.FIGURE) {
            return rule.when(Typing.condition(parsed, names, Typing.Place.SCOPE), true);
        }
        boolean ofRows = rule.target().of() == Reach.ROW && printsRows;
        boolean scope = ofRows ? Typing.aggregatesItsPlace(parsed, names) : Typing.aggregates(parsed, names);
        if (rule.target().depth() == 0 && !scope) {
            throw new ProblemException(Problem.error(
                    "", "it marks the report's totals, so its condition must be about them: SUM(...), COUNT(*)"));
        }
        return rule.when(Typing.condition(parsed, names, scope ? Typing.Place.SCOPE : Typing.Place.CELL), scope);
    }
}
