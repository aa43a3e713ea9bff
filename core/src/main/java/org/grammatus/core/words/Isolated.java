package org.grammatus.core.words;

import com.ibm.icu.text.Bidi;

/**
 * A value among the words around it. One that is read from right to left is set apart (Unicode's first strong isolate), so that it does not
 * turn the words around it.
 */
final class Isolated {

    private static final char ISOLATE = '\u2068';
    private static final char END = '\u2069';

    private Isolated() {}

    static String of(String value) {
        return Bidi.requiresBidi(value.toCharArray(), 0, value.length()) ? ISOLATE + value + END : value;
    }
}
