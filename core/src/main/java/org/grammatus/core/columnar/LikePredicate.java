package org.grammatus.core.columnar;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.value.LikePattern;
import org.grammatus.core.value.Type;

/** LIKE on columns; tried once for each pair of a distinct text and a distinct pattern. */
final class LikePredicate {

    private LikePredicate() {}

    static Column apply(Column value, Column pattern, Optional<String> escape) {
        Column.Texts texts = (Column.Texts) value;
        Column.Texts patterns = (Column.Texts) pattern;
        LikePattern[] parsed = Arrays.stream(patterns.dictionary())
                .map(text -> LikePattern.of(text, escape))
                .toArray(LikePattern[]::new);
        Map<Long, Boolean> tried = new HashMap<>();
        long[] values = new long[texts.size()];
        for (int i = 0; i < values.length; i++) {
            if (texts.isNull(i) || patterns.isNull(i)) {
                values[i] = Column.Longs.NULL;
                continue;
            }
            int text = texts.codes()[i];
            int by = patterns.codes()[i];
            boolean like = tried.computeIfAbsent(
                    ((long) text << Integer.SIZE) | by, pair -> parsed[by].matches(texts.dictionary()[text]));
            values[i] = like ? 1 : 0;
        }
        return new Column.Longs(Type.BOOLEAN, values);
    }
}
