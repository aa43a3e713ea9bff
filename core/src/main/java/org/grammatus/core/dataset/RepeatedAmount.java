package org.grammatus.core.dataset;

import java.util.Optional;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.expression.Typed;

/**
 * An amount of something coarser that an expression repeats: an order's freight added to each of its lines. A sum of the expression
 * counts the amount once for each line, where a sum of the amount itself counts it once for each order.
 */
public final class RepeatedAmount {

    private RepeatedAmount() {}

    /** What a row's expression repeats, in words with what to do; none where it repeats nothing that adds up. */
    public static Optional<String> in(Typed value, DatasetModel dataset) {
        return field(value, dataset).map(field -> inWords(field, value, dataset));
    }

    /** The amount that a row's expression repeats. */
    public static Optional<DatasetModel.FieldInfo> field(Typed value, DatasetModel dataset) {
        return find(value, new Homes(dataset).orGrain(value), dataset);
    }

    /** That an expression repeats an amount, and what to do. */
    public static String inWords(DatasetModel.FieldInfo field, Typed value, DatasetModel dataset) {
        String label = "\"" + field.definition().label() + "\"";
        String whole = dataset.table(field.table()).noun().one();
        String part = dataset.table(new Homes(dataset).orGrain(value)).noun().one();
        return label + " is one amount for each " + whole + ", and is repeated here for each " + part
                + "; sum it by itself, so that it counts once for each " + whole;
    }

    private static Optional<DatasetModel.FieldInfo> find(Typed value, int home, DatasetModel dataset) {
        if (value instanceof Typed.Field field) {
            DatasetModel.FieldInfo info = dataset.field(field.id());
            boolean adds = info.definition().role() == Dataset.Role.ADDITIVE;
            return adds && info.table() != home ? Optional.of(info) : Optional.empty();
        }
        for (Typed operand : value.operands()) {
            var found = find(operand, home, dataset);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }
}
