package org.grammatus.core.problem;

import java.util.List;
import java.util.stream.Collectors;

/** Work that could not be done because of what a person gave; carries every problem found, at least one. */
public final class ProblemException extends RuntimeException {

    private final transient List<Problem> problems;

    public ProblemException(List<Problem> problems) {
        super(problems.stream().map(Problem::toString).collect(Collectors.joining("\n")));
        if (problems.isEmpty()) {
            throw new IllegalArgumentException("A problem exception needs a problem");
        }
        this.problems = List.copyOf(problems);
    }

    public ProblemException(Problem problem) {
        this(List.of(problem));
    }

    public List<Problem> problems() {
        return problems;
    }
}
