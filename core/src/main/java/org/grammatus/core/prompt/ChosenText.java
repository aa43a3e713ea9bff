package org.grammatus.core.prompt;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.grammatus.core.expression.Names;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/**
 * Several values as people, files and addresses write them: separated by commas, or one a line, as they come from a spreadsheet; in double
 * quotes where a value has a comma or a quote itself; {@code (none)} for rows without a value; behind {@code all but} for all others.
 */
public final class ChosenText {

    /** Stands for rows without a value. */
    public static final String NONE = "(none)";

    /** More than these are no choice any more. */
    static final int MOST = 1_000;

    private static final String ALL_BUT = "all but ";

    private ChosenText() {}

    /**
     * Reads chosen values of a type.
     *
     * @throws IllegalArgumentException that says what was expected
     */
    static Names.Chosen parse(String text, Type type) {
        String typed = text.strip();
        boolean except = typed.toLowerCase(Locale.ROOT).startsWith(ALL_BUT);
        Set<Scalar> values = new LinkedHashSet<>();
        boolean blank = false;
        for (String item : items(except ? typed.substring(ALL_BUT.length()) : typed)) {
            if (item.equals(NONE)) {
                blank = true;
            } else {
                values.add(ScalarText.parse(item, type));
            }
        }
        if (values.size() > MOST) {
            throw new IllegalArgumentException("found " + values.size() + " values, at most " + MOST
                    + " can be chosen; choose all but some instead");
        }
        return new Names.Chosen(List.copyOf(values), blank, except);
    }

    /** Writes chosen values so that they read back. */
    static String write(Names.Chosen chosen) {
        List<String> items = new ArrayList<>(chosen.values().stream()
                .map(ScalarText::write)
                .map(ChosenText::quoted)
                .toList());
        if (chosen.blank()) {
            items.add(NONE);
        }
        return (chosen.except() ? ALL_BUT : "") + String.join(", ", items);
    }

    private static String quoted(String value) {
        boolean plain = value.equals(value.strip())
                && !value.isEmpty()
                && !value.equals(NONE)
                && value.indexOf(',') < 0
                && value.indexOf('"') < 0
                && value.indexOf('\n') < 0
                && !value.toLowerCase(Locale.ROOT).startsWith(ALL_BUT);
        return plain ? value : '"' + value.replace("\"", "\"\"") + '"';
    }

    private static List<String> items(String text) {
        List<String> items = new ArrayList<>();
        StringBuilder item = new StringBuilder();
        boolean inQuotes = false;
        boolean wasQuoted = false;
        for (int i = 0; i <= text.length(); i++) {
            char c = i < text.length() ? text.charAt(i) : ',';
            if (inQuotes && i < text.length()) {
                if (c != '"') {
                    item.append(c);
                } else if (i + 1 < text.length() && text.charAt(i + 1) == '"') {
                    item.append('"');
                    i++;
                } else {
                    inQuotes = false;
                }
            } else if (c == '"' && item.toString().isBlank()) {
                item.setLength(0);
                inQuotes = true;
                wasQuoted = true;
            } else if (c == ',' || c == '\n' || c == '\r' || c == '\t') {
                String value = wasQuoted ? item.toString() : item.toString().strip();
                if (!value.isEmpty() || wasQuoted) {
                    items.add(value);
                }
                item.setLength(0);
                wasQuoted = false;
            } else {
                item.append(c);
            }
        }
        return items;
    }
}
