package org.grammatus.export;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** The first line of a CSV file: programs tell columns apart by it, so that no two may be called the same. */
final class Headings {

    private Headings() {}

    /** The names in their order; one that stood before, or is empty, is numbered: "Net", "Net 2". */
    static List<String> unique(List<String> names) {
        Set<String> given = new HashSet<>(names);
        Set<String> taken = new HashSet<>();
        List<String> unique = new ArrayList<>();
        for (String name : names) {
            String own = name.isBlank() ? "Column " + (unique.size() + 1) : name;
            String free = own;
            int number = 2;
            while (!taken.add(free)) {
                // A number that another column bears already is passed over.
                do {
                    free = own + " " + number++;
                } while (given.contains(free));
            }
            unique.add(free);
        }
        return unique;
    }
}
