package org.grammatus.core.problem;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;

/** Collects the problems of one step, so that a person hears of all of them at once. Not thread-safe. */
public final class Problems {

    private final List<Problem> found = new ArrayList<>();

    public void add(Problem problem) {
        found.add(problem);
    }

    public void addAll(List<Problem> problems) {
        found.addAll(problems);
    }

    public void error(String pointer, String message) {
        found.add(Problem.error(pointer, message));
    }

    /** Runs a part of the step; what it throws is noted below the pointer, and the fallback stands in for its result. */
    public <T> T collect(String pointer, Supplier<T> part, T fallback) {
        try {
            return part.get();
        } catch (ProblemException e) {
            e.problems().forEach(problem -> found.add(problem.below(pointer)));
            return fallback;
        }
    }

    public boolean hasErrors() {
        return found.stream().anyMatch(problem -> problem.severity() == Problem.Severity.ERROR);
    }

    public List<Problem> found() {
        return List.copyOf(found);
    }

    /**
     * Ends the step.
     *
     * @throws ProblemException with everything found, if any of it is an error
     */
    public void throwIfErrors() {
        if (hasErrors()) {
            throw new ProblemException(found);
        }
    }
}
