package org.grammatus.core.group.tree;

import java.math.BigInteger;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.LongStream;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.KeyCodes;
import org.grammatus.core.columnar.PairTable;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.NumberClasses;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/**
 * The keys that a level shows even where no row has them: its classes; the places of its cycle; the spans of time from the first to
 * the last, or of the period that was asked for; the listed values; else the values that the data have at all, in the order of
 * their field if it has one.
 */
public final class KeysWithoutRows {

    private KeysWithoutRows() {}

    /**
     * The keys of a level.
     *
     * @param byRow the level's key by row of its home table
     * @param kept rows of the home table that a selected row leads to
     */
    public static Column keys(LevelPlan level, DatasetModel dataset, Star star, Column byRow, int[] kept) {
        return level.keys()
                .coarsening()
                .map(coarsening -> switch (coarsening) {
                    case NumberClasses classes -> places(classes.count());
                    case DateBucket bucket when bucket.isCyclic() -> places(bucket.cycleLength());
                    case DateBucket bucket -> spans(level, bucket, (Column.Longs) byRow, kept);
                })
                .orElseGet(() -> level.keys().listed().isEmpty()
                        ? known(level, dataset, star, byRow)
                        : column(level.keys().listed(), level.keys().type()));
    }

    private static Column places(int count) {
        return new Column.Longs(Type.INTEGER, LongStream.rangeClosed(1, count).toArray());
    }

    private static Column spans(LevelPlan level, DateBucket bucket, Column.Longs byRow, int[] kept) {
        long first = Long.MAX_VALUE;
        long last = Long.MIN_VALUE;
        for (int row : kept) {
            if (!byRow.isNull(row)) {
                first = Math.min(first, byRow.values()[row]);
                last = Math.max(last, byRow.values()[row]);
            }
        }
        Optional<LocalDate> from = level.keys().asked().flatMap(p -> p.from());
        Optional<LocalDate> to = level.keys().asked().flatMap(p -> p.to());
        first = from.map(day -> bucket.key(day.toEpochDay())).orElse(first);
        last = to.map(day -> bucket.key(day.toEpochDay())).orElse(last);
        LongStream.Builder spans = LongStream.builder();
        for (long span = first; span <= last; span = bucket.next(span)) {
            spans.add(span);
        }
        return new Column.Longs(Type.DATE, spans.build().toArray());
    }

    private static Column known(LevelPlan level, DatasetModel dataset, Star star, Column byRow) {
        Set<Scalar> keys = new LinkedHashSet<>();
        dataset.naturalOrder(level.keys().value())
                .ifPresent(order -> order.forEach(value -> keys.add(new Scalar.Text(value))));
        int[] codes = KeyCodes.of(byRow).codes();
        PairTable seen = new PairTable(16);
        for (int row = 0; row < byRow.size(); row++) {
            if (!star.isMissing(level.keys().home(), row) && !byRow.isNull(row) && seen.add(codes[row])) {
                keys.add(Scalars.at(byRow, row));
            }
        }
        return column(List.copyOf(keys), level.keys().type());
    }

    /** The column of these values. */
    public static Column column(List<Scalar> values, Type type) {
        return switch (type.kind()) {
            case TEXT -> {
                String[] dictionary = values.stream()
                        .map(value -> ((Scalar.Text) value).value())
                        .toArray(String[]::new);
                int[] codes = new int[dictionary.length];
                Arrays.setAll(codes, i -> i);
                yield new Column.Texts(codes, dictionary);
            }
            case INTEGER, DECIMAL ->
                Arithmetic.narrow(
                        values.stream()
                                .map(value -> ((Scalar.Number) value).value())
                                .map(number -> Decimals.rescale(number.unscaledValue(), number.scale(), type.scale()))
                                .toArray(BigInteger[]::new),
                        type);
            case DATE, TIMESTAMP, BOOLEAN ->
                new Column.Longs(
                        type,
                        values.stream()
                                .mapToLong(value -> ((Column.Longs) Scalars.repeat(value, 1)).values()[0])
                                .toArray());
        };
    }
}
