package org.grammatus.core.explain;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.value.Type;

/** The values of the fields and calculated fields that rows behind a figure are shown with. */
public record ShownFields(List<Field> fields) {

    /**
     * A field's values.
     *
     * @param pattern CLDR pattern that its values are printed in
     * @param values at the rows of its home table
     * @param path by row of the grain, the row of the home table
     */
    public record Field(String id, String label, Type type, String pattern, Column values, int[] path) {}

    /**
     * Takes fields from rows.
     *
     * @param ids of fields and calculated fields; what is not offered is left out
     * @param star rows that have what the fields need
     */
    public static ShownFields of(TablePlan plan, List<String> ids, Star star) {
        Set<String> wanted = new HashSet<>(ids);
        return new ShownFields(RowFields.offered(plan).stream()
                .filter(offered -> wanted.contains(offered.id()))
                .map(offered -> field(plan, offered, star))
                .toList());
    }

    private static Field field(TablePlan plan, RowFields.Offered offered, Star star) {
        Typed value = RowFields.value(plan, offered.id());
        int home = new Homes(plan.dataset()).orGrain(value);
        return new Field(
                offered.id(),
                offered.label(),
                value.type(),
                Formats.of(value, plan.dataset()),
                Evaluator.evaluate(value, star.at(home), new Faults()),
                star.path(DatasetModel.GRAIN, home));
    }
}
