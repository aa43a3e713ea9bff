package org.grammatus.core.dataset;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report.Bucket;
import org.grammatus.core.expression.References;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** What usually makes sense to do with a field, so that an author mostly just agrees. */
public final class Proposals {

    private Proposals() {}

    /**
     * A total that can be made of a field.
     *
     * @param name what it is called: "Sum"
     * @param value its expression
     * @param advice why it may not be meant; none where it is fine
     */
    public record Total(String name, String value, Optional<String> advice) {}

    /**
     * A level that can be made of a field.
     *
     * @param key expression whose value makes the group
     * @param label expression printed for it; none prints the key
     * @param bucket coarsening of a date
     */
    public record Level(String key, Optional<String> label, Optional<Bucket> bucket) {}

    /**
     * A field or calculated field.
     *
     * @param role whether adding it up means anything
     */
    public record Subject(String id, String label, Type type, Dataset.Role role) {
        public static Subject of(DatasetModel.FieldInfo field) {
            Dataset.Field definition = field.definition();
            return new Subject(definition.id(), definition.label(), field.type(), definition.role());
        }

        public static Subject of(DatasetModel.NamedValue value, Type type) {
            return new Subject(value.id(), value.label(), type, value.role());
        }
    }

    /** The expression of a field's column. */
    public static String column(Subject field) {
        return References.to(field.id());
    }

    /** Every total of a field, the usual ones first. */
    public static List<Total> totals(Subject field) {
        String x = column(field);
        List<Total> totals = new ArrayList<>();
        if (field.type().isNumber()) {
            totals.add(new Total("Sum", "SUM(" + x + ")", againstSum(field)));
            totals.add(new Total("Average", "AVG(" + x + ")", Optional.empty()));
        }
        totals.add(new Total("Count", "COUNT(" + x + ")", Optional.empty()));
        totals.add(new Total("Count of different values", "COUNT(DISTINCT " + x + ")", Optional.empty()));
        if (field.type().kind() != Kind.BOOLEAN) {
            totals.add(new Total("Smallest", "MIN(" + x + ")", Optional.empty()));
            totals.add(new Total("Largest", "MAX(" + x + ")", Optional.empty()));
        }
        return totals;
    }

    /** The total that a field's column gets by itself: sums of what adds up; none where a total means little. */
    public static Optional<Total> usual(Subject field) {
        return field.type().isNumber() && field.role() == Dataset.Role.ADDITIVE
                ? Optional.of(totals(field).getFirst())
                : Optional.empty();
    }

    /** Tables whose rows are usually counted beside totals: what the grain's rows belong to, and the grain itself. */
    public static List<String> counts(DatasetModel dataset) {
        List<String> counts = new ArrayList<>();
        for (int table = 1; table < dataset.tableCount() && counts.isEmpty(); table++) {
            if (dataset.pointedFrom(table) == DatasetModel.GRAIN) {
                counts.add(dataset.table(table).id());
            }
        }
        counts.add(dataset.table(DatasetModel.GRAIN).id());
        return counts;
    }

    /** Why a sum of the field may not be meant. */
    public static Optional<String> againstSum(Subject field) {
        String label = "\"" + field.label() + "\"";
        return switch (field.role()) {
            case ADDITIVE -> Optional.empty();
            case IDENTIFIER -> Optional.of(label + " is an identifier; an average or a count may be meant");
            case NOT_ADDITIVE, DESCRIPTIVE ->
                Optional.of(label + " does not add up; an average or a count may be meant");
        };
    }

    /** A level by the field: by month for dates, by the code where the field is a name that several things may share. */
    public static Level level(Subject field, DatasetModel dataset) {
        String id = field.id();
        boolean time = field.type().kind() == Kind.DATE || field.type().kind() == Kind.TIMESTAMP;
        if (time) {
            return new Level(References.to(id), Optional.empty(), Optional.of(Bucket.MONTH));
        }
        Optional<String> code = Optional.ofNullable(dataset.field(id))
                .map(info -> dataset.table(info.table()))
                .filter(table -> table.name().filter(id::equals).isPresent())
                .flatMap(Dataset.Table::code);
        return code.filter(c -> !c.equals(id))
                .map(c -> new Level(References.to(c), Optional.of(References.to(id)), Optional.empty()))
                .orElseGet(() -> new Level(References.to(id), Optional.empty(), Optional.empty()));
    }
}
