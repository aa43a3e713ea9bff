package org.grammatus.core.modelling;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.grammatus.core.definition.Dataset;

/** The words in the names of tables and columns, which are mostly English words run together. */
final class NameWords {

    private static final int LONGEST_ID = 60;

    private NameWords() {}

    /** What is called by a sign alone. */
    private static final Map<String, String> SIGNS =
            Map.of("#", "number", "%", "percent", "€", "euros", "$", "dollars");

    /** {@code unit_price}, {@code unitPrice} and {@code UNIT-PRICE} are "unit" and "price"; a name without a letter or digit is a word all the same. */
    static List<String> of(String name) {
        List<String> words = new ArrayList<>();
        for (String word : name.replaceAll("(\\p{Ll}|\\d)(\\p{Lu})", "$1 $2").split("[^\\p{L}\\p{M}\\p{N}]+")) {
            if (!word.isEmpty()) {
                words.add(word.toLowerCase(Locale.ROOT));
            }
        }
        return words.isEmpty() ? List.of(SIGNS.getOrDefault(name.strip(), "column")) : words;
    }

    /** The words of a table's name, without the name of its schema. */
    private static List<String> ofTable(String name) {
        int schema = name.lastIndexOf('.');
        return of(schema >= 0 && schema < name.length() - 1 ? name.substring(schema + 1) : name);
    }

    static String last(String name) {
        return of(name).getLast();
    }

    static boolean has(String name, Set<String> words) {
        return of(name).stream().anyMatch(words::contains);
    }

    /** "Unit price". */
    static String label(List<String> words) {
        String joined = String.join(" ", words);
        return joined.substring(0, 1).toUpperCase(Locale.ROOT) + joined.substring(1);
    }

    /** What one row of a table and several are called. */
    static Dataset.Noun noun(String table) {
        List<String> words = new ArrayList<>(ofTable(table));
        String last = words.removeLast();
        String before = words.isEmpty() ? "" : String.join(" ", words) + " ";
        String one = singular(last);
        return new Dataset.Noun(before + one, before + plural(one));
    }

    static String singular(String word) {
        if (word.endsWith("ies") && word.length() > 4) {
            return word.substring(0, word.length() - 3) + "y";
        }
        if (word.matches(".*(ss|sh|ch|x|z)es")) {
            return word.substring(0, word.length() - 2);
        }
        return word.endsWith("s") && !word.matches(".*(ss|us|is)") ? word.substring(0, word.length() - 1) : word;
    }

    private static String plural(String word) {
        if (word.matches(".*[^aeiou]y")) {
            return word.substring(0, word.length() - 1) + "ies";
        }
        return word.matches(".*(s|sh|ch|x|z)") ? word + "es" : word + "s";
    }

    /** An id for a name, unlike those that are taken. */
    static String freeId(List<String> words, Predicate<String> taken) {
        String plain = String.join("_", words)
                .replaceAll("[^a-z0-9_]+", "_")
                .replaceAll("^[^a-z]+", "")
                .replaceAll("_+$", "");
        String wanted = plain.isEmpty() ? "value" : plain.substring(0, Math.min(LONGEST_ID, plain.length()));
        String id = wanted;
        for (int i = 2; taken.test(id); i++) {
            id = wanted + "_" + i;
        }
        return id;
    }
}
