package org.grammatus.core.definition.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/**
 * A document as far as it can be read, with all that is wrong with it so far. Where something is wrong, the document has a harmless
 * value in its place, so that what comes after can still be checked; nobody runs such a document. Immutable.
 *
 * @param document none where nothing could be made of it
 * @param wrong pointers to what is wrong or not there
 */
public record Checked<T>(Optional<T> document, List<Problem> faults, Set<String> wrong) {

    public Checked {
        faults = List.copyOf(faults);
        wrong = Set.copyOf(wrong);
    }

    /** A document that nothing is wrong with yet. */
    public static <T> Checked<T> sound(T document) {
        return new Checked<>(Optional.of(document), List.of(), Set.of());
    }

    /**
     * The document, if nothing is wrong with it.
     *
     * @throws ProblemException with every fault
     */
    public T require() {
        if (!faults.isEmpty()) {
            throw new ProblemException(faults);
        }
        return document.orElseThrow();
    }

    /** The same of what a document is made into. */
    public Checked<T> with(UnaryOperator<T> made) {
        return new Checked<>(document.map(made), faults, wrong);
    }

    /** Whether a place, or one around it, is wrong already. */
    public boolean isWrong(String pointer) {
        return wrong.stream().anyMatch(place -> pointer.equals(place) || pointer.startsWith(place + "/"));
    }

    /** Whether anything inside a place is wrong already. */
    public boolean isWrongInside(String pointer) {
        return wrong.stream().anyMatch(place -> place.startsWith(pointer + "/"));
    }

    /** The same with what a later check found: what is about a place that is wrong already is told once. */
    public Checked<T> with(List<Problem> later) {
        List<Problem> others =
                later.stream().filter(problem -> !isWrong(problem.pointer())).toList();
        List<Problem> all = new ArrayList<>(faults);
        all.addAll(others);
        Set<String> places = new TreeSet<>(wrong);
        places.addAll(others.stream()
                .filter(problem -> problem.severity() == Problem.Severity.ERROR)
                .map(Problem::pointer)
                .collect(Collectors.toSet()));
        return new Checked<>(document, all, places);
    }
}
