package org.grammatus.core.explain;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;

/** The fields and calculated fields with which the rows behind a figure can be shown. */
public final class RowFields {

    /**
     * A field or calculated field.
     *
     * @param label what people call it
     */
    public record Offered(String id, String label) {}

    private RowFields() {}

    /** All that can be shown, in the dataset's order: what is not hidden, and what the report reads all the same. */
    public static List<Offered> offered(TablePlan plan) {
        DatasetModel dataset = plan.dataset();
        Stream<Offered> fields = dataset.fields().values().stream()
                .filter(field -> !field.isHidden() || plan.fields().contains(field.id()))
                .map(field -> new Offered(field.id(), field.label()));
        Stream<Offered> calculated = dataset.calculated().stream()
                .filter(value -> !value.hidden())
                .map(value -> new Offered(value.id(), value.label()));
        return Stream.concat(fields, calculated).toList();
    }

    /** The fields that a report reads, in the dataset's order. */
    public static List<String> read(TablePlan plan) {
        return plan.dataset().fields().keySet().stream()
                .filter(plan.fields()::contains)
                .toList();
    }

    /**
     * What is shown unless something is chosen: what the report reads, and what people tell the rows by, which is the codes and names of
     * all that a row belongs to, its own numbers and its own amounts.
     */
    public static List<String> usual(TablePlan plan) {
        DatasetModel dataset = plan.dataset();
        Set<String> usual = new LinkedHashSet<>(plan.fields());
        usual.addAll(dataset.codesAndNames());
        dataset.fields().values().stream()
                .filter(field -> field.table() == DatasetModel.GRAIN && (field.isIdentifier() || field.isAdditive()))
                .forEach(field -> usual.add(field.id()));
        return offered(plan).stream().map(Offered::id).filter(usual::contains).toList();
    }

    /**
     * The fields that have to be read for some to be shown.
     *
     * @param shown ids of fields and calculated fields that are offered
     */
    public static Set<String> needed(TablePlan plan, List<String> shown) {
        Set<String> needed = new TreeSet<>(plan.fields());
        shown.forEach(id -> value(plan, id).noteFields(needed));
        return needed;
    }

    /** @throws ProblemException at {@code /fields} if there is no such field */
    static Typed value(TablePlan plan, String id) {
        return new DatasetNames(plan.dataset(), plan.context().businessDate())
                .field(id, true)
                .orElseThrow(() -> new ProblemException(Problem.error(
                        "/fields",
                        "the dataset has no field \"" + id + "\""
                                + Suggestion.inWords(id, plan.dataset().rowNames()))));
    }
}
