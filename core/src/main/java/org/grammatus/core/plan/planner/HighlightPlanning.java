package org.grammatus.core.plan.planner;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.grammatus.core.choice.Reach;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Expressions;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;

/** Plans the rules that mark rows and groups. */
final class HighlightPlanning {

    /** Stands for a condition that is wrong. */
    private static final Expression WRONG = Expressions.truth(true);

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
        return target(rule, levels, columns).flatMap(target -> {
            HighlightPlan wrong = untyped(rule, pointer, target, WRONG);
            Optional<HighlightPlan> read = problems.collect(
                    pointer + "/when",
                    () -> Optional.of(untyped(rule, pointer, target, parsed(rule, names))),
                    Optional.empty());
            if (read.isEmpty()) {
                return Optional.of(wrong);
            }
            if (!printsRows && isAboutRowsAlone(read.get(), names)) {
                problems.add(Problem.advice(pointer, "the rule is about rows, and none are printed; it marks nothing"));
                return Optional.empty();
            }
            return Optional.of(problems.collect(pointer + "/when", () -> typed(read.get(), names, printsRows), wrong));
        });
    }

    /** A rule of a table that prints no rows; none where only rows can meet it. */
    static Optional<HighlightPlan> withoutRows(HighlightPlan rule, Names names) {
        return isAboutRowsAlone(rule, names) ? Optional.empty() : Optional.of(typed(rule, names, false));
    }

    /** Whether a rule of rows could be about no group: it looks at rows alike, or at rows before it. */
    private static boolean isAboutRowsAlone(HighlightPlan rule, Names names) {
        return rule.target().of() == Reach.ROW && !isSound(rule, names, false) && isSound(rule, names, true);
    }

    private static boolean isSound(HighlightPlan rule, Names names, boolean printsRows) {
        try {
            typed(rule, names, printsRows);
            return true;
        } catch (ProblemException e) {
            return false;
        }
    }

    /**
     * A rule about key figures.
     *
     * @param figure id of the figure that it marks
     * @param names what the figure says among them
     */
    static HighlightPlan ofFigure(ReportHighlight rule, String pointer, String figure, Names names, Problems problems) {
        HighlightPlan.Target target =
                new HighlightPlan.Target(Reach.FIGURE, Optional.of(TablePlan.REPORT), Optional.of(figure));
        Supplier<HighlightPlan> typed = () -> typed(untyped(rule, pointer, target, parsed(rule, names)), names, false);
        return problems.collect(pointer + "/when", typed, untyped(rule, pointer, target, WRONG));
    }

    private static Expression parsed(ReportHighlight rule, Names names) {
        return ExpressionParser.parse(rule.when(), names.fieldLabels());
    }

    private static HighlightPlan untyped(
            ReportHighlight rule, String pointer, HighlightPlan.Target target, Expression when) {
        return new HighlightPlan(
                rule.id(),
                rule.label(),
                rule.look(),
                rule.word().orElse(""),
                pointer,
                when,
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
        boolean isOff = place.level()
                        .filter(id -> TotalPlanning.depth(id, levels).isEmpty())
                        .isPresent()
                || place.column()
                        .filter(id ->
                                columns.stream().noneMatch(column -> column.id().equals(id)))
                        .isPresent();
        return isOff
                ? Optional.empty()
                : Optional.of(new HighlightPlan.Target(place.of(), place.level(), place.column()));
    }

    /**
     * A rule with its condition typed. One of rows is about the rows that are printed, unless it adds up what it does not say the
     * group of; one of groups is about their first row where it adds up nothing.
     *
     * @throws ProblemException if its condition is wrong
     */
    static HighlightPlan typed(HighlightPlan rule, Names names, boolean printsRows) {
        Expression parsed = rule.written();
        if (rule.target().of() == Reach.FIGURE) {
            return rule.when(Typing.condition(parsed, names, Typing.Place.SCOPE), true);
        }
        boolean ofRows = rule.target().of() == Reach.ROW && printsRows;
        boolean scope = ofRows ? Typing.aggregatesItsPlace(parsed, names) : Typing.aggregates(parsed, names);
        if (rule.target().level().equals(Optional.of(TablePlan.REPORT)) && !scope) {
            throw new ProblemException(Problem.error(
                    "", "it marks the report's totals, so its condition must be about them: SUM(...), COUNT(*)"));
        }
        return rule.when(Typing.condition(parsed, names, scope ? Typing.Place.SCOPE : Typing.Place.CELL), scope);
    }
}
