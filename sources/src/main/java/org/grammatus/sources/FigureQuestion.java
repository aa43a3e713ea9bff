package org.grammatus.sources;

import java.util.List;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;

/**
 * A single figure that a source is asked for: an aggregate over the rows of a dataset that meet all of some conditions.
 *
 * @param conditions on rows
 */
public record FigureQuestion(DatasetModel dataset, Typed.Aggregate aggregate, List<Typed> conditions) {

    public FigureQuestion {
        conditions = List.copyOf(conditions);
    }
}
