package org.grammatus.sources;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

/** Finds a table's row by its key. */
final class KeyIndex {

    private final Map<Object, Integer> rowOf = new HashMap<>();

    /**
     * Notes a row's key.
     *
     * @return whether no earlier row has it; a key with a NULL in it is never noted
     */
    boolean add(List<Object> key, int row) {
        return key.contains(null) || rowOf.putIfAbsent(comparable(key), row) == null;
    }

    OptionalInt find(List<Object> key) {
        if (key.contains(null)) {
            return OptionalInt.empty();
        }
        Integer row = rowOf.get(comparable(key));
        return row == null ? OptionalInt.empty() : OptionalInt.of(row);
    }

    /** A driver gives the same whole number as a short or a long one; keys compare by value. */
    private static Object comparable(List<Object> key) {
        if (key.size() == 1) {
            return comparable(key.getFirst());
        }
        List<Object> parts = new ArrayList<>();
        key.forEach(part -> parts.add(comparable(part)));
        return parts;
    }

    private static Object comparable(Object part) {
        return part instanceof Integer i ? Long.valueOf(i) : part;
    }
}
