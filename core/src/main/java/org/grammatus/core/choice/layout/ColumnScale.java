package org.grammatus.core.choice.layout;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/**
 * What is drawn beside a column's figures, so that their size is seen before it is read. It is legible without colour.
 *
 * @param edges of steps: from where the middle one and from where the highest one reach; thirds of what is printed unless given
 * @param within id of the level in each of whose groups steps are thirds of what is printed there; of the whole report unless given
 */
public record ColumnScale(Kind kind, Optional<List<BigDecimal>> edges, Optional<String> within) {

    /** What is drawn. */
    public enum Kind {
        /** A bar from zero behind the figure, the other way for what is below zero. */
        BAR,
        /** One, two or three dots before the figure. */
        STEPS
    }
}
