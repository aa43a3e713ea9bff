package org.grammatus.core.order;

import com.ibm.icu.util.ULocale;
import java.util.Comparator;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Dictionaries;

/**
 * Texts in the locale's order. They are compared as met, since an order used only for ties is seldom asked; one that is asked
 * more often than there are rows ranks its dictionary once and for all. Thread-safe: two threads may rank at once, to the same end.
 */
public final class CollatedOrder implements IntOrder {

    /** A dictionary more than this many times larger than what is sorted is never ranked. */
    private static final int RANK_ALL = 4;

    private final Column.Texts column;
    private final int sign;
    private final ULocale locale;
    private final Comparator<String> collation;
    private volatile int[] ranks;
    private int asked;

    public CollatedOrder(Column.Texts column, int sign, ULocale locale) {
        this.column = column;
        this.sign = sign;
        this.locale = locale;
        this.collation = Dictionaries.collation(locale);
    }

    @Override
    public int compare(int a, int b) {
        int[] known = ranks;
        if (known != null) {
            return sign * Integer.compare(known[column.codes()[a]], known[column.codes()[b]]);
        }
        if (++asked > column.size() && column.dictionary().length <= RANK_ALL * column.size()) {
            ranks = Dictionaries.collationRanks(column.dictionary(), locale);
        }
        return sign * collation.compare(column.text(a), column.text(b));
    }
}
