package org.grammatus.core.dataset;

import com.ibm.icu.util.ULocale;
import org.grammatus.core.value.Type;

/** What a group's key is coarsened to: a span or cycle of time, or a class of numbers. Its keys stand in its own order. */
public sealed interface Coarsening permits DateBucket, NumberClasses {

    /** Type of its keys. */
    Type type();

    /** What is printed for a key. */
    String label(long key, ULocale locale);
}
