package org.grammatus.server.problem;

import java.util.Optional;
import org.grammatus.core.problem.Cure;
import org.grammatus.core.problem.Problem;

/**
 * A problem in an answer.
 *
 * @param pointer JSON pointer (RFC 6901) into the document that was sent
 * @param position line and column inside the text there, as {@code 1:8}
 * @param cure texts of the document that would put it right, where that is known
 */
public record ProblemView(
        Problem.Severity severity, String pointer, Optional<String> position, String message, Optional<Cure> cure) {

    public static ProblemView of(Problem problem) {
        return new ProblemView(
                problem.severity(),
                problem.pointer(),
                problem.position().map(Problem.Position::toString),
                problem.message(),
                problem.cure());
    }
}
