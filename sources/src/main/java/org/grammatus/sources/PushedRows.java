package org.grammatus.sources;

import java.util.List;
import java.util.Map;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;

/**
 * The rows of a dataset's grain that a source is asked for. A source may leave out rows that fail a condition for certain; it need not, since the
 * engine applies every condition again. It must not leave out any other.
 *
 * @param others the datasets that conditions look into, by id
 * @param conditions on rows, all of which are to hold
 */
public record PushedRows(DatasetModel dataset, Map<String, DatasetModel> others, List<Typed> conditions) {

    public PushedRows {
        conditions = List.copyOf(conditions);
    }
}
