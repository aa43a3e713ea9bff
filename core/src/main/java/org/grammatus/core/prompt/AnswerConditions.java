package org.grammatus.core.prompt;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.value.Scalar;

/**
 * Conditions over answers: which prompts are asked, and whether answers fit together. A prompt is asked where its condition is TRUE; a check
 * fails where it is FALSE. So an answer that is open asks nothing more, and fails nothing.
 */
final class AnswerConditions {

    private final List<ReportPrompt> prompts;
    private final Problems problems;

    /**
     * @param prompts all of a report, in the order in which they are asked
     * @param problems where it is noted what is wrong with the conditions themselves
     */
    AnswerConditions(List<ReportPrompt> prompts, Problems problems) {
        this.prompts = prompts;
        this.problems = problems;
    }

    /**
     * Whether a prompt is asked.
     *
     * @param above the answers to those above it
     */
    boolean asked(int prompt, Names above) {
        Optional<String> condition = prompts.get(prompt).appears();
        if (condition.isEmpty()) {
            return true;
        }
        String at = "/prompts/" + prompt + "/appears";
        // What cannot be read is no reason not to ask.
        return problems.collect(
                at,
                () -> {
                    Expression parsed = ExpressionParser.parse(condition.get());
                    requireAbove(prompt, parsed);
                    return truth(parsed, above).equals(Optional.of(true));
                },
                true);
    }

    /** Only what stands above may decide: so none can wait for itself, or for one that waits for it. */
    private void requireAbove(int prompt, Expression condition) {
        Set<String> later = prompts.subList(prompt, prompts.size()).stream()
                .flatMap(p -> NamedAnswers.of(p).stream())
                .collect(Collectors.toSet());
        condition.prompts().filter(p -> later.contains(p.name())).findFirst().ifPresent(p -> {
            boolean own = NamedAnswers.of(prompts.get(prompt)).contains(p.name());
            throw new ProblemException(Problem.error(
                    "",
                    p.position(),
                    "\":" + p.name() + "\" is " + (own ? "the prompt itself" : "asked further down")
                            + "; whether a prompt is asked follows from those above it"));
        });
    }

    /** The checks of a prompt that fail, each with what its author says. */
    List<String> failing(int prompt, Names all) {
        List<ReportPrompt.Check> checks = prompts.get(prompt).checks().orElse(List.of());
        List<String> failing = new ArrayList<>();
        for (int i = 0; i < checks.size(); i++) {
            ReportPrompt.Check check = checks.get(i);
            boolean fails = problems.collect(
                    "/prompts/" + prompt + "/checks/" + i + "/that",
                    () -> truth(check.that(), all).equals(Optional.of(false)),
                    false);
            if (fails) {
                failing.add(check.message());
            }
        }
        return List.copyOf(failing);
    }

    /** Whether a text has a form, as LIKE has it. */
    static boolean isLike(String text, String pattern) {
        return truth(new Typed.Like(text(text), text(pattern), Optional.empty()))
                .equals(Optional.of(true));
    }

    private static Typed text(String text) {
        return new Typed.Constant(new Scalar.Text(text));
    }

    /**
     * What a condition over answers comes to; none for NULL.
     *
     * @throws ProblemException if it is no such condition
     */
    static Optional<Boolean> truth(String condition, Names answers) {
        return truth(ExpressionParser.parse(condition), answers);
    }

    private static Optional<Boolean> truth(Expression condition, Names answers) {
        return truth(Typing.condition(condition, answers, Typing.Place.ROW));
    }

    /** What a condition comes to; none for NULL. */
    private static Optional<Boolean> truth(Typed condition) {
        Column.Longs values = (Column.Longs) Evaluator.evaluate(condition, EvaluationContext.NO_FIELDS, new Faults());
        return values.isNull(0) ? Optional.empty() : Optional.of(values.values()[0] == 1);
    }
}
