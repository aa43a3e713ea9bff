package org.grammatus.core.typography;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UProperty;
import com.ibm.icu.text.Normalizer2;
import java.util.HashMap;
import java.util.Map;

/**
 * Letters that join with their neighbours, in the forms in which they do (The Unicode Standard, chapter 9, rules R1 to R7): the presentation
 * forms that Unicode decomposes into the letter itself, those of Persian, Urdu and other languages among them.
 */
final class JoinedLetters {

    private static final char LAM = '\u0644';
    /** Where the presentation forms are, the ligatures of lam and alef among them. */
    private static final int[][] BLOCKS = {{0xFB50, 0xFDFF}, {0xFE70, 0xFEFC}};

    /** By kind of form, what a letter or a ligature is drawn as. */
    private static final Map<Integer, Map<String, Character>> FORMS = forms();

    private JoinedLetters() {}

    private static Map<Integer, Map<String, Character>> forms() {
        Map<Integer, Map<String, Character>> forms = new HashMap<>();
        Normalizer2 compatibility = Normalizer2.getNFKDInstance();
        for (int[] block : BLOCKS) {
            for (int c = block[0]; c <= block[1]; c++) {
                int kind = UCharacter.getIntPropertyValue(c, UProperty.DECOMPOSITION_TYPE);
                String raw = compatibility.getRawDecomposition(c);
                boolean letter = raw != null && (raw.length() == 1 || raw.length() == 2 && raw.charAt(0) == LAM);
                if (letter && isForm(kind)) {
                    forms.computeIfAbsent(kind, key -> new HashMap<>()).putIfAbsent(raw, (char) c);
                }
            }
        }
        return forms;
    }

    private static boolean isForm(int kind) {
        return kind == UCharacter.DecompositionType.ISOLATED
                || kind == UCharacter.DecompositionType.INITIAL
                || kind == UCharacter.DecompositionType.MEDIAL
                || kind == UCharacter.DecompositionType.FINAL;
    }

    /** The text in the order it is read, its letters as they join. */
    static String of(String text) {
        StringBuilder out = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            boolean before = joins(text, i, -1);
            String ligature = i + 1 < text.length() && text.charAt(i) == LAM ? text.substring(i, i + 2) : "";
            Character both = form(ligature, before, false);
            if (both != null) {
                out.append(both.charValue());
                i++;
                continue;
            }
            Character one = form(text.substring(i, i + 1), before, joins(text, i, 1));
            out.append(one == null ? text.charAt(i) : one.charValue());
        }
        return out.toString();
    }

    private static Character form(String letters, boolean before, boolean after) {
        int kind = before && after
                ? UCharacter.DecompositionType.MEDIAL
                : before
                        ? UCharacter.DecompositionType.FINAL
                        : after ? UCharacter.DecompositionType.INITIAL : UCharacter.DecompositionType.ISOLATED;
        return FORMS.getOrDefault(kind, Map.of()).get(letters);
    }

    /** Whether a letter joins the nearest one on a side of it, marks being passed over. */
    private static boolean joins(String text, int at, int step) {
        int other = at + step;
        while (other >= 0
                && other < text.length()
                && joining(text.charAt(other)) == UCharacter.JoiningType.TRANSPARENT) {
            other += step;
        }
        if (other < 0 || other >= text.length()) {
            return false;
        }
        int first = joining(text.charAt(step < 0 ? other : at));
        int second = joining(text.charAt(step < 0 ? at : other));
        return joinsWhatFollows(first) && joinsWhatIsBefore(second);
    }

    private static int joining(char c) {
        return UCharacter.getIntPropertyValue(c, UProperty.JOINING_TYPE);
    }

    private static boolean joinsWhatFollows(int type) {
        return type == UCharacter.JoiningType.DUAL_JOINING
                || type == UCharacter.JoiningType.LEFT_JOINING
                || type == UCharacter.JoiningType.JOIN_CAUSING;
    }

    private static boolean joinsWhatIsBefore(int type) {
        return type == UCharacter.JoiningType.DUAL_JOINING
                || type == UCharacter.JoiningType.RIGHT_JOINING
                || type == UCharacter.JoiningType.JOIN_CAUSING;
    }
}
