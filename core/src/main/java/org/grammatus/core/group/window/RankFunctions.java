package org.grammatus.core.group.window;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.order.IntOrder;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/** Where things stand among the others of their group. */
final class RankFunctions {

    private static final int NONE = -1;

    private final Column values;
    private final int[] things;
    private final int[] groups;

    /**
     * Things in printed order.
     *
     * @param values of all things, by number
     * @param things those that stand somewhere
     * @param groups by place among these, the group around it
     */
    RankFunctions(Column values, int[] things, int[] groups) {
        this.values = values;
        this.things = things;
        this.groups = groups;
    }

    /** By number of the thing, where it stands; NULL for what stands nowhere. */
    Column of(Typed.WindowFunction standing) {
        return switch (standing.function()) {
            case LAG -> before();
            case ALIKE -> alike();
            case RANK -> ranks(standing.descending());
            case CUME_DIST -> parts(standing.descending(), standing.type());
        };
    }

    /** The value of the one before, of the same group; NULL for the first. */
    Column before() {
        int[] before = new int[values.size()];
        Arrays.fill(before, NONE);
        Map<Integer, Integer> last = new HashMap<>();
        for (int i = 0; i < things.length; i++) {
            before[things[i]] = last.getOrDefault(groups[i], NONE);
            last.put(groups[i], things[i]);
        }
        return Gathering.orNull(values, before);
    }

    private record Same(int group, Object value) {}

    private Column alike() {
        Map<Same, Long> counts = new HashMap<>();
        for (int i = 0; i < things.length; i++) {
            counts.merge(same(i), 1L, Long::sum);
        }
        long[] found = unknown();
        for (int i = 0; i < things.length; i++) {
            found[things[i]] = counts.get(same(i));
        }
        return new Column.Longs(Type.INTEGER, found);
    }

    private Same same(int place) {
        int thing = things[place];
        Object value =
                values.isNull(thing) ? null : values instanceof Column.Texts t ? t.text(thing) : values.wide(thing);
        return new Same(groups[place], value);
    }

    /** The place by value in the group; equals share one, and NULL has none. */
    Column ranks(boolean descending) {
        long[] ranks = unknown();
        int[] sorted = sorted(descending);
        int first = 0;
        for (int i = 0; i < sorted.length; i++) {
            first = i > 0 && groups[sorted[i - 1]] == groups[sorted[i]] ? first : i;
            ranks[things[sorted[i]]] =
                    i > first && isTie(sorted[i - 1], sorted[i]) ? ranks[things[sorted[i - 1]]] : i - first + 1;
        }
        return new Column.Longs(Type.INTEGER, ranks);
    }

    /** From the last backwards: equals come no later than the last of them. */
    private Column parts(boolean descending, Type type) {
        long[] parts = unknown();
        int[] sorted = sorted(descending);
        int end = sorted.length;
        for (int from = 0; from < sorted.length; from = end) {
            end = from;
            while (end < sorted.length && groups[sorted[end]] == groups[sorted[from]]) {
                end++;
            }
            long last = 0;
            for (int i = end - 1; i >= from; i--) {
                boolean tie = i + 1 < end && isTie(sorted[i], sorted[i + 1]);
                last = tie ? last : i - from + 1;
                parts[things[sorted[i]]] = part(last, end - from, type.scale());
            }
        }
        return new Column.Longs(type, parts);
    }

    private static long part(long of, long all, int scale) {
        return Decimals.divide(BigInteger.valueOf(of), 0, BigInteger.valueOf(all), 0, scale)
                .longValueExact();
    }

    private boolean isTie(int a, int b) {
        return values.wide(things[a]).equals(values.wide(things[b]));
    }

    /** The places of those that have a value, group by group, in order of the values. */
    private int[] sorted(boolean descending) {
        int[] places = new int[things.length];
        int count = 0;
        for (int i = 0; i < things.length; i++) {
            if (!values.isNull(things[i])) {
                places[count++] = i;
            }
        }
        IntOrder byValue = values instanceof Column.Longs longs
                ? (a, b) -> Long.compare(longs.values()[things[a]], longs.values()[things[b]])
                : (a, b) -> values.wide(things[a]).compareTo(values.wide(things[b]));
        IntOrder inGroup = descending ? (a, b) -> byValue.compare(b, a) : byValue;
        IntOrder byGroup = (a, b) -> Integer.compare(groups[a], groups[b]);
        byGroup.then(inGroup).sort(places, 0, count);
        return Arrays.copyOf(places, count);
    }

    private long[] unknown() {
        long[] unknown = new long[values.size()];
        Arrays.fill(unknown, Column.Longs.NULL);
        return unknown;
    }
}
