package org.grammatus.core.columnar;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Makes a column of texts, each distinct text held once. */
final class TextsBuilder {

    private final int[] codes;
    private final List<String> dictionary = new ArrayList<>();
    private final Map<String, Integer> codeOf = new HashMap<>();

    TextsBuilder(int size) {
        this.codes = new int[size];
        Arrays.fill(codes, Column.Texts.NULL);
    }

    /** @param text null stands for NULL */
    void set(int row, String text) {
        if (text != null) {
            codes[row] = codeOf.computeIfAbsent(text, t -> {
                dictionary.add(t);
                return dictionary.size() - 1;
            });
        }
    }

    Column.Texts build() {
        return new Column.Texts(codes, dictionary.toArray(String[]::new));
    }
}
