package org.grammatus.core.dataset;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.ReportField;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Type;

/**
 * A dataset as a tree of tables: the grain at the root, each other table reached from it by one path of to-one joins.
 *
 * <p>Tables are numbered, the grain 0 and every table after the one that points to it. A table is <em>coarser</em> than
 * another if the other reaches it: many lines share an order, many orders an apiary. Immutable.
 */
public final class DatasetModel {

    /** Number of the grain's table. */
    public static final int GRAIN = 0;

    private final Dataset definition;
    private final List<Dataset.Table> tables;
    private final int[] pointedFrom;
    private final List<Dataset.Join> joins;
    private final Map<String, FieldInfo> fields;
    private final Map<String, NamedValue> named;
    /** As it is read, whatever a report calls its fields. */
    private final Dataset asRead;
    /** How what it says of dates and numbers is printed. */
    private final Patterns patterns;

    /**
     * A calculated field or a measure.
     *
     * @param measure whether it has one value for a group; else one for a row
     * @param text its expression as it was written
     * @param value the same, its names not resolved
     * @param role of a calculated field; measures are not added up
     * @param order of a calculated field's values
     * @param hidden whether it is not offered when reports are made
     * @param direction of groups that are ordered by a measure
     */
    public record NamedValue(
            String id,
            String label,
            Optional<String> description,
            boolean measure,
            String text,
            Expression value,
            Dataset.Role role,
            Optional<String> format,
            Optional<String> unit,
            Optional<List<String>> order,
            boolean hidden,
            Optional<Direction> direction) {

        private NamedValue printedAs(Optional<ReportField> said) {
            return printed(
                    said.flatMap(ReportField::label).orElse(label),
                    said.flatMap(ReportField::format).or(() -> format));
        }

        private NamedValue in(Patterns style) {
            return printed(label, format.map(style::of));
        }

        private NamedValue printed(String otherLabel, Optional<String> otherFormat) {
            return new NamedValue(
                    id,
                    otherLabel,
                    description,
                    measure,
                    text,
                    value,
                    role,
                    otherFormat,
                    unit,
                    order,
                    hidden,
                    direction);
        }
    }

    /**
     * A field with its type and home.
     *
     * @param table number of its home table
     */
    public record FieldInfo(Dataset.Field definition, Type type, int table) {

        private FieldInfo printedAs(Optional<ReportField> said) {
            return said.map(field -> new FieldInfo(definition.printedAs(field.label(), field.format()), type, table))
                    .orElse(this);
        }

        private FieldInfo in(Patterns style) {
            Optional<String> format = definition.format().map(style::of);
            return new FieldInfo(definition.printedAs(Optional.empty(), format), type, table);
        }

        public String id() {
            return definition.id();
        }

        /** What people call it. */
        public String label() {
            return definition.label();
        }

        /** Whether it is not offered when reports are made. */
        public boolean isHidden() {
            return definition.hidden().orElse(false);
        }

        /** Whether its values are added up. */
        public boolean isAdditive() {
            return definition.role() == Dataset.Role.ADDITIVE;
        }

        /** Whether its values are numbers and codes by which things are told apart. */
        public boolean isIdentifier() {
            return definition.role() == Dataset.Role.IDENTIFIER;
        }
    }

    DatasetModel(
            Dataset definition,
            List<Dataset.Table> tables,
            int[] pointedFrom,
            List<Dataset.Join> joins,
            Map<String, FieldInfo> fields,
            Map<String, NamedValue> named,
            Dataset asRead,
            Patterns patterns) {
        this.definition = definition;
        this.tables = tables;
        this.pointedFrom = pointedFrom;
        this.joins = joins;
        this.fields = fields;
        this.named = named;
        this.asRead = asRead;
        this.patterns = patterns;
    }

    /**
     * Finds the way from the grain to every table.
     *
     * @throws org.grammatus.core.problem.ProblemException if a table is not reached, or reached twice, a join does not fit, or a
     *     calculated field or measure is wrong
     */
    public static DatasetModel of(Dataset dataset) {
        return TableTree.model(dataset);
    }

    /** The same dataset as a house style prints it. */
    public DatasetModel in(Patterns style) {
        if (style.equals(patterns)) {
            return this;
        }
        Map<String, FieldInfo> printed = new LinkedHashMap<>();
        fields.forEach((id, field) -> printed.put(id, field.in(style)));
        Map<String, NamedValue> values = new LinkedHashMap<>();
        named.forEach((id, value) -> values.put(id, value.in(style)));
        return new DatasetModel(definition, tables, pointedFrom, joins, printed, values, asRead, style);
    }

    public Patterns patterns() {
        return patterns;
    }

    /** The same dataset, its fields, calculated fields and measures called and printed as a report says. */
    public DatasetModel printedAs(List<ReportField> said) {
        if (said.isEmpty()) {
            return this;
        }
        Map<String, ReportField> byId = new HashMap<>();
        said.forEach(field -> byId.put(field.id(), field));
        Map<String, FieldInfo> calledFields = new LinkedHashMap<>();
        fields.forEach((id, field) -> calledFields.put(id, field.printedAs(Optional.ofNullable(byId.get(id)))));
        Map<String, NamedValue> calledValues = new LinkedHashMap<>();
        named.forEach((id, value) -> calledValues.put(id, value.printedAs(Optional.ofNullable(byId.get(id)))));
        Dataset called = definition.with(
                definition.grain(),
                definition.tables(),
                definition.joins(),
                definition.fields().stream()
                        .map(field -> calledFields.get(field.id()).definition())
                        .toList());
        return new DatasetModel(called, tables, pointedFrom, joins, calledFields, calledValues, asRead, patterns);
    }

    public Dataset definition() {
        return definition;
    }

    /** The dataset as it is read, whatever a report calls its fields: what figures are made from. */
    public Dataset asRead() {
        return asRead;
    }

    public String id() {
        return definition.id();
    }

    /** Whether it is another dataset, or is built on it: whether it has the other's rows, joins and fields, and all mean the same. */
    public boolean includes(DatasetModel other) {
        return asRead.equals(other.asRead)
                || asRead.tables().containsAll(other.asRead.tables())
                        && asRead.joins().containsAll(other.asRead.joins())
                        && asRead.fields().containsAll(other.asRead.fields());
    }

    /** What people call it. */
    public String label() {
        return definition.label();
    }

    /** Ids of the fields by which people tell the rows of its tables apart, and call them. */
    public List<String> codesAndNames() {
        return definition.tables().stream()
                .flatMap(table -> Stream.concat(table.code().stream(), table.name().stream()))
                .toList();
    }

    public FiscalCalendar calendar() {
        return definition.calendar().map(FiscalCalendar::of).orElse(FiscalCalendar.CALENDAR_YEAR);
    }

    public int tableCount() {
        return tables.size();
    }

    public Dataset.Table table(int number) {
        return tables.get(number);
    }

    public Optional<Integer> tableNumber(String id) {
        for (int t = 0; t < tables.size(); t++) {
            if (tables.get(t).id().equals(id)) {
                return Optional.of(t);
            }
        }
        return Optional.empty();
    }

    /** Number of the table that points to this one; -1 for the grain. */
    public int pointedFrom(int table) {
        return pointedFrom[table];
    }

    /** The join by which a table other than the grain is reached. */
    public Dataset.Join join(int table) {
        return joins.get(table);
    }

    public Map<String, FieldInfo> fields() {
        return fields;
    }

    /** Calculated fields and measures, by id, in the order of the definition. */
    public Map<String, NamedValue> named() {
        return named;
    }

    /** A calculated field or measure by its id. */
    public NamedValue named(String id) {
        return named.get(id);
    }

    /** Calculated fields alone. */
    public List<NamedValue> calculated() {
        return named.values().stream().filter(value -> !value.measure()).toList();
    }

    /** Measures alone. */
    public List<NamedValue> measures() {
        return named.values().stream().filter(NamedValue::measure).toList();
    }

    /** Ids of what has a value in every row: fields and calculated fields. */
    public List<String> rowNames() {
        List<String> names = new ArrayList<>(fields.keySet());
        calculated().forEach(value -> names.add(value.id()));
        return names;
    }

    /** The natural order of the values that an expression by itself has: those of a field or calculated field that lists them. */
    public Optional<List<String>> naturalOrder(Typed value) {
        return switch (value) {
            case Typed.Field f -> fields.get(f.id()).definition().order();
            case Typed.Named n -> named.get(n.id()).order();
            case Typed.LabelledKey c -> naturalOrder(c.name());
            default -> Optional.empty();
        };
    }

    /** The type of a field or calculated field; none where there is no such. */
    public Optional<Type> typeOf(String id) {
        return new DatasetNames(this, LocalDate.EPOCH).field(id, true).map(Typed::type);
    }

    /** Whether rows read for another dataset serve this one too: labels and formulas do not matter to reading. */
    public boolean readsAs(DatasetModel other) {
        return this == other || shape().equals(other.shape());
    }

    /** All that reading depends on. */
    private List<Object> shape() {
        return List.of(
                definition.grain(),
                definition.tables(),
                definition.joins(),
                definition.fields().stream()
                        .map(field -> List.of(field.id(), field.table(), field.column(), field.type(), field.scale()))
                        .toList());
    }

    /** A field by its id. */
    public FieldInfo field(String id) {
        return fields.get(id);
    }

    /** Whether every row of one table leads to exactly one row of the other; a table reaches itself. */
    public boolean reaches(int from, int to) {
        for (int t = to; t >= 0; t = pointedFrom[t]) {
            if (t == from) {
                return true;
            }
        }
        return false;
    }

    /**
     * The coarsest table that reaches both: the home of what is made from fields of the two.
     */
    public int finest(int a, int b) {
        int t = a;
        while (!reaches(t, b)) {
            t = pointedFrom[t];
        }
        return t;
    }
}
