package org.grammatus.core.dataset;

import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.value.Type;

/**
 * Classes of numbers, lowest first: 0–7, 8–30, over 30. A class takes the numbers up to its edge that none before it has; the last
 * takes the rest. Keys are the classes' numbers from 1.
 */
public record NumberClasses(List<Entry> entries) implements Coarsening {

    /**
     * One class.
     *
     * @param upTo the largest number in it; none for the last
     * @param label what it is called; made from its edges unless given
     */
    public record Entry(Optional<BigDecimal> upTo, Optional<String> label) {}

    public NumberClasses {
        entries = List.copyOf(entries);
    }

    @Override
    public Type type() {
        return Type.INTEGER;
    }

    public int count() {
        return entries.size();
    }

    /** The edge above a class, in units of a scale; what lies between two units is rounded down. */
    public BigInteger edge(int index, int scale) {
        return entries.get(index)
                .upTo()
                .orElseThrow()
                .setScale(scale, RoundingMode.FLOOR)
                .unscaledValue();
    }

    /** The largest number of the class below one, which lies outside it; none below the lowest. */
    public Optional<BigDecimal> above(long key) {
        return key <= 1 ? Optional.empty() : entries.get((int) key - 2).upTo();
    }

    /** The largest number of a class; none for the last. */
    public Optional<BigDecimal> upTo(long key) {
        return entries.get((int) key - 1).upTo();
    }

    @Override
    public String label(long key, ULocale locale) {
        return entries.get((int) key - 1).label().orElseGet(() -> {
            Optional<String> above = above(key).map(BigDecimal::toPlainString);
            Optional<String> upTo = upTo(key).map(BigDecimal::toPlainString);
            return upTo.isEmpty()
                    ? above.map(edge -> "over " + edge).orElse("all")
                    : above.map(edge -> "over " + edge + " to " + upTo.get()).orElse("up to " + upTo.get());
        });
    }
}
