package org.grammatus.core.columnar;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * The values of two columns of one type as small numbers: equal values, and NULLs, have one number, in whichever column they
 * stand.
 */
public record JointCodes(int[] left, int[] right) {

    public static JointCodes of(Column left, Column right) {
        if (left instanceof Column.Longs a && right instanceof Column.Longs b) {
            PairTable numbers = new PairTable(a.size());
            return new JointCodes(numbered(a.values(), numbers), numbered(b.values(), numbers));
        }
        if (left instanceof Column.Texts a && right instanceof Column.Texts b) {
            Map<String, Integer> numbers = new HashMap<>();
            return new JointCodes(numbered(a, numbers), numbered(b, numbers));
        }
        Map<BigInteger, Integer> numbers = new HashMap<>();
        return new JointCodes(numbered(left, numbers), numbered(right, numbers));
    }

    /** All numbers are less than this. */
    public int count() {
        return 1
                + Math.max(
                        Arrays.stream(left).max().orElse(0),
                        Arrays.stream(right).max().orElse(0));
    }

    private static int[] numbered(long[] values, PairTable numbers) {
        int[] codes = new int[values.length];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = numbers.numberOf(values[i]);
        }
        return codes;
    }

    /** Each distinct text is looked up once. */
    private static int[] numbered(Column.Texts texts, Map<String, Integer> numbers) {
        int[] byCode = new int[texts.dictionary().length];
        for (int code = 0; code < byCode.length; code++) {
            byCode[code] = numbers.computeIfAbsent(texts.dictionary()[code], text -> numbers.size() + 1);
        }
        int[] codes = new int[texts.size()];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = texts.isNull(i) ? 0 : byCode[texts.codes()[i]];
        }
        return codes;
    }

    private static int[] numbered(Column values, Map<BigInteger, Integer> numbers) {
        int[] codes = new int[values.size()];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = values.isNull(i) ? 0 : numbers.computeIfAbsent(values.wide(i), value -> numbers.size() + 1);
        }
        return codes;
    }
}
