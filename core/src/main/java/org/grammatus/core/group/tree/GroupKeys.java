package org.grammatus.core.group.tree;

import java.math.BigInteger;
import java.util.Arrays;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.DateKeys;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.NumberClasses;
import org.grammatus.core.plan.LevelPlan;

/** The keys by which rows are grouped: values, or the buckets and classes in which they lie. */
public final class GroupKeys {

    private GroupKeys() {}

    /** A level's key by row of its home table. */
    public static Column of(LevelPlan level, Star star, Faults faults) {
        Column key =
                Evaluator.evaluate(level.keys().value(), star.at(level.keys().home()), faults);
        return level.keys()
                .coarsening()
                .map(coarsening -> switch (coarsening) {
                    case DateBucket bucket -> DateKeys.of((Column.Longs) key, bucket);
                    case NumberClasses classes -> classed(key, classes);
                })
                .orElse(key);
    }

    private static Column classed(Column key, NumberClasses classes) {
        BigInteger[] edges = new BigInteger[classes.count() - 1];
        Arrays.setAll(edges, i -> classes.edge(i, key.type().scale()));
        long[] values = new long[key.size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = key.isNull(i) ? Column.Longs.NULL : 1 + below(edges, key.wide(i));
        }
        return new Column.Longs(classes.type(), values);
    }

    /** How many edges are below a value. */
    private static int below(BigInteger[] edges, BigInteger value) {
        int found = Arrays.binarySearch(edges, value);
        return found >= 0 ? found : -found - 1;
    }
}
