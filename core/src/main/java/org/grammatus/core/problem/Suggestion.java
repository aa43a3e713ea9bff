package org.grammatus.core.problem;

import java.util.Collection;
import java.util.Comparator;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Finds the name a person most likely meant. */
public final class Suggestion {

    /** What is longer is no mistyped name. */
    private static final int LONGEST = 200;
    /** With fewer letters too many labels begin. */
    private static final int SHORTEST_BEGINNING = 3;

    private Suggestion() {}

    /** The nearest of the names by edits, where it is near enough to be meant: at most a third of its letters differ. */
    public static Optional<String> nearest(String typed, Collection<String> names) {
        String lower = typed.toLowerCase(Locale.ROOT);
        if (typed.length() > LONGEST) {
            return Optional.empty();
        }
        return names.stream()
                .filter(name -> Math.abs(name.length() - typed.length()) <= Math.max(1, name.length() / 3))
                .filter(name -> distance(lower, name.toLowerCase(Locale.ROOT)) <= Math.max(1, name.length() / 3))
                .min(Comparator.<String>comparingInt(name -> distance(lower, name.toLowerCase(Locale.ROOT)))
                        .thenComparing(Comparator.naturalOrder()));
    }

    /** {@code ; did you mean "amount"?}, or nothing when no name is near. */
    public static String inWords(String typed, Collection<String> names) {
        return nearest(typed, names)
                .map(name -> "; did you mean \"" + name + "\"?")
                .orElse("");
    }

    /**
     * {@code ; did you mean "net_amount" (Net sales)?}, or nothing when none is near: what was typed may be like a name or like what
     * people call it. The label is told where it says more than the name.
     *
     * @param labels what each name is called
     */
    public static String inWords(String typed, Map<String, String> labels) {
        return nearest(typed, labels.keySet())
                .or(() -> nearest(typed, labels.values())
                        .or(() -> begunWith(typed, labels.values()))
                        .flatMap(label -> nameOf(label, labels)))
                .map(name -> "; did you mean \"" + name + "\"" + inBrackets(name, labels.get(name)) + "?")
                .orElse("");
    }

    /**
     * {@code ; did you mean "net_amount" (Net sales)?}, where a text has a label of several words in it; of several the longest.
     *
     * @param labels what each name is called
     */
    public static String labelIn(String text, Map<String, String> labels) {
        String lower = text.toLowerCase(Locale.ROOT);
        return labels.values().stream()
                .filter(label -> label.contains(" ") && lower.contains(label.toLowerCase(Locale.ROOT)))
                .max(Comparator.comparingInt(String::length).thenComparing(Comparator.reverseOrder()))
                .flatMap(label -> nameOf(label, labels))
                .map(name -> "; did you mean \"" + name + "\"" + inBrackets(name, labels.get(name)) + "?")
                .orElse("");
    }

    private static Optional<String> begunWith(String typed, Collection<String> labels) {
        String lower = typed.toLowerCase(Locale.ROOT);
        return typed.length() < SHORTEST_BEGINNING
                ? Optional.empty()
                : labels.stream()
                        .filter(label -> label.toLowerCase(Locale.ROOT).startsWith(lower))
                        .min(Comparator.naturalOrder());
    }

    private static Optional<String> nameOf(String label, Map<String, String> labels) {
        return labels.entrySet().stream()
                .filter(entry -> entry.getValue().equals(label))
                .map(Map.Entry::getKey)
                .min(Comparator.naturalOrder());
    }

    private static String inBrackets(String name, String label) {
        String spelled = label.replaceAll("[^\\p{L}\\p{N}]+", "_");
        return spelled.equalsIgnoreCase(name) ? "" : " (" + label + ")";
    }

    /** Edits (insert, delete, replace, swap of neighbours) between two texts. */
    private static int distance(String a, String b) {
        int[][] edits = new int[a.length() + 1][b.length() + 1];
        for (int i = 0; i <= a.length(); i++) {
            edits[i][0] = i;
        }
        for (int j = 0; j <= b.length(); j++) {
            edits[0][j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            for (int j = 1; j <= b.length(); j++) {
                int replace = edits[i - 1][j - 1] + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                edits[i][j] = Math.min(replace, 1 + Math.min(edits[i - 1][j], edits[i][j - 1]));
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1)) {
                    edits[i][j] = Math.min(edits[i][j], edits[i - 2][j - 2] + 1);
                }
            }
        }
        return edits[a.length()][b.length()];
    }
}
