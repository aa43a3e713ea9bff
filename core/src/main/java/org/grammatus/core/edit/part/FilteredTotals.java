package org.grammatus.core.edit.part;

import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.FilteredAggregate;
import org.grammatus.core.expression.References;

/** The rows that a total takes. A measure is written out, so that it can take some rows only, too. */
public final class FilteredTotals {

    private FilteredTotals() {}

    /** A total in its two parts; none where its aggregates take different rows, or it has none. */
    public static Optional<FilteredAggregate> of(String total, DatasetModel dataset) {
        return FilteredAggregate.of(dataset.measures().stream()
                .filter(measure -> References.to(measure.id()).equals(total.strip()))
                .findFirst()
                .map(DatasetModel.NamedValue::text)
                .orElse(total));
    }
}
