package org.grammatus.core.definition.document;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/** Finds what a record was read without, though it must have it. */
final class WholeRecords {

    private final List<Problem> missing = new ArrayList<>();

    private WholeRecords() {}

    /**
     * A record, if nothing in it is missing that its parts must have.
     *
     * @throws ProblemException with the pointer of everything that is missing
     */
    static <T> T require(T read) {
        WholeRecords records = new WholeRecords();
        records.check("", read);
        if (!records.missing.isEmpty()) {
            throw new ProblemException(records.missing);
        }
        return read;
    }

    private void check(String pointer, Object value) {
        switch (value) {
            case null -> missing.add(Problem.error(pointer, "is missing"));
            case Optional<?> optional -> optional.ifPresent(inside -> check(pointer, inside));
            case List<?> list -> {
                for (int i = 0; i < list.size(); i++) {
                    check(pointer + "/" + i, list.get(i));
                }
            }
            case Record composed -> {
                for (RecordComponent component : composed.getClass().getRecordComponents()) {
                    check(pointer + "/" + component.getName(), valueOf(component, composed));
                }
            }
            default -> {}
        }
    }

    private static Object valueOf(RecordComponent component, Record composed) {
        try {
            return component.getAccessor().invoke(composed);
        } catch (IllegalAccessException | InvocationTargetException e) {
            throw new IllegalStateException("Parts of definitions are public records", e);
        }
    }
}
