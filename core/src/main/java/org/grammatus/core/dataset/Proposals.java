package org.grammatus.core.dataset;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.expression.References;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** What usually makes sense to do with a field, so that an author mostly just agrees. */
public final class Proposals {

    private static final String NO_VALUE = "''";
    /** Types and homes do not depend on the day. */
    private static final LocalDate ANY_DAY = LocalDate.EPOCH;

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
     * A field, calculated field or measure.
     *
     * @param role whether adding it up means anything
     * @param home number of its home table
     */
    public record Subject(String id, String label, Type type, Dataset.Role role, int home, boolean measure) {

        /** What a dataset knows under an id. */
        public static Subject of(String id, DatasetModel dataset) {
            DatasetModel.FieldInfo field = dataset.field(id);
            if (field != null) {
                Dataset.Field definition = field.definition();
                return new Subject(id, definition.label(), field.type(), definition.role(), field.table(), false);
            }
            DatasetModel.NamedValue value = dataset.named(id);
            DatasetNames names = new DatasetNames(dataset, ANY_DAY);
            Typed typed = (value.measure() ? names.measure(id, true) : names.field(id, true)).orElseThrow();
            int home = new Homes(dataset).orGrain(typed);
            return new Subject(id, value.label(), typed.type(), value.role(), home, value.measure());
        }
    }

    /** The expression of a field's column; a measure has no value in a row, so its column is empty there. */
    public static String column(Subject field) {
        return field.measure() ? NO_VALUE : References.to(field.id());
    }

    /** Every total of a field, the usual ones first. */
    public static List<Total> totals(Subject field) {
        String x = References.to(field.id());
        if (field.measure()) {
            return List.of(new Total(field.label(), x, Optional.empty()));
        }
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

    /** What does not add up, such as a price, can be averaged by what does, such as a quantity. */
    public static List<Total> weighted(Subject field, DatasetModel dataset) {
        if (!field.type().isNumber() || usual(field).isPresent()) {
            return List.of();
        }
        String x = References.to(field.id());
        return dataset.rowNames().stream()
                .map(id -> Subject.of(id, dataset))
                .filter(weight -> usual(weight).isPresent())
                .map(weight -> new Total(
                        "Average weighted by " + weight.label(),
                        weightedBy(x, References.to(weight.id())),
                        Optional.empty()))
                .toList();
    }

    private static String weightedBy(String x, String weight) {
        return "SUM(" + x + " * " + weight + ") / SUM(" + weight + ") FILTER (WHERE " + x + " IS NOT NULL)";
    }

    /** Every total of an expression that is more than a field, whatever its type. */
    public static List<Total> totalsOf(String expression) {
        return List.of(
                new Total("Sum", "SUM(" + expression + ")", Optional.empty()),
                new Total("Average", "AVG(" + expression + ")", Optional.empty()),
                new Total("Count", "COUNT(" + expression + ")", Optional.empty()),
                new Total("Smallest", "MIN(" + expression + ")", Optional.empty()),
                new Total("Largest", "MAX(" + expression + ")", Optional.empty()));
    }

    /** The total that a field's column gets by itself: a measure, the sum of what adds up; none where a total means little. */
    public static Optional<Total> usual(Subject field) {
        boolean adds = field.type().isNumber() && field.role() == Dataset.Role.ADDITIVE;
        return adds || field.measure() ? Optional.of(totals(field).getFirst()) : Optional.empty();
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

    /** What is usually meant by a sum of a field that does not add up: how many there are of an identifier, else the average. */
    public static Total insteadOfSum(Subject field) {
        String wanted = field.role() == Dataset.Role.IDENTIFIER || !field.type().isNumber() ? "COUNT(DISTINCT" : "AVG(";
        return totals(field).stream()
                .filter(total -> total.value().startsWith(wanted))
                .findFirst()
                .orElseThrow();
    }

    /** A level by the field: by month for dates, by the code where the field is a name that several things may share; none by a measure. */
    public static Optional<Level> level(Subject field, DatasetModel dataset) {
        return field.measure() ? Optional.empty() : Optional.of(levelOf(field, dataset));
    }

    private static Level levelOf(Subject field, DatasetModel dataset) {
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
