package org.grammatus.server.dataset;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.choice.ChoiceWord;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.edit.FilterComparisons;
import org.grammatus.core.edit.PromptTypes;
import org.grammatus.core.value.Kind;

/**
 * A dataset as authors see it.
 *
 * @param grain what one row is, in words
 * @param dateField the field that a period usually asks about
 * @param counts ids of the tables whose rows are usually counted beside totals
 */
record DatasetView(
        String id,
        String label,
        Optional<String> description,
        String grain,
        Optional<String> dateField,
        List<String> counts,
        List<TableView> tables,
        List<FieldView> fields) {

    /**
     * A table.
     *
     * @param one what one of its rows is called
     * @param noun what several are called
     * @param source its name in the source
     * @param code id of the field that tells its rows apart for people
     * @param name id of the field that its rows are called by
     */
    record TableView(String id, String one, String noun, String source, Optional<String> code, Optional<String> name) {}

    /** How the dataset comes by a field. */
    enum Made {
        /** The source has it. */
        READ,
        /** From other fields, row by row. */
        CALCULATED,
        /** From many rows: an aggregate with a name. */
        MEASURE
    }

    /**
     * A field, calculated field or measure with what can be made of it.
     *
     * @param table id of its home table
     * @param hidden whether it is not offered when reports are made
     */
    record FieldView(
            String id,
            String label,
            Optional<String> description,
            Made made,
            Kind type,
            Dataset.Role role,
            String table,
            boolean hidden,
            EntryView entry,
            FieldOffersView offers) {}

    /**
     * What the dictionary says of a field besides.
     *
     * @param source the column it is read from
     * @param formula the expression of a calculated field or measure
     * @param format its CLDR pattern where it has one of its own
     * @param order its values in their natural order, where it lists them
     * @param lookup id of the field that has the names of its values, where they are keys
     * @param names ids of the fields that may have the names of its values
     * @param direction of groups that are ordered by it, for a measure that says so
     */
    record EntryView(
            Optional<String> source,
            Optional<String> formula,
            Optional<String> format,
            Optional<String> unit,
            Optional<List<String>> order,
            Optional<String> lookup,
            List<String> names,
            Optional<Direction> direction) {}

    /**
     * What can be made of a field.
     *
     * @param comparisons how a filter can compare it; none of a measure
     * @param asks what a prompt about it can ask for, the usual first; none of a measure
     * @param value expression of its column
     * @param usual the total its column gets by itself
     * @param totals every total, by name
     */
    record FieldOffersView(
            List<ComparisonView> comparisons,
            List<String> asks,
            String value,
            Optional<LevelView> level,
            Optional<String> usual,
            List<Proposals.Total> totals) {}

    /**
     * A comparison.
     *
     * @param comparison as definitions write it
     * @param takes how many values: {@code none}, {@code one}, {@code two} or {@code many}
     */
    record ComparisonView(String comparison, String takes) {}

    /**
     * A level of the field.
     *
     * @param bucket as definitions write it
     */
    record LevelView(String key, Optional<String> label, Optional<String> bucket) {}

    static DatasetView of(DatasetModel dataset) {
        Dataset definition = dataset.definition();
        return new DatasetView(
                definition.id(),
                definition.label(),
                definition.description(),
                dataset.table(DatasetModel.GRAIN).noun().one(),
                dataset.fields().values().stream()
                        .filter(f -> f.type().kind() == Kind.DATE || f.type().kind() == Kind.TIMESTAMP)
                        .map(f -> f.definition().id())
                        .findFirst(),
                Proposals.counts(dataset),
                definition.tables().stream()
                        .map(table -> new TableView(
                                table.id(),
                                table.noun().one(),
                                table.noun().other(),
                                table.table(),
                                table.code(),
                                table.name()))
                        .toList(),
                fields(dataset));
    }

    private static List<FieldView> fields(DatasetModel dataset) {
        List<FieldView> fields = new ArrayList<>();
        dataset.measures().forEach(measure -> fields.add(named(measure, dataset)));
        List<List<String>> names = IntStream.range(0, dataset.tableCount())
                .mapToObj(table -> Lookups.names(table, dataset))
                .toList();
        dataset.fields().values().forEach(field -> fields.add(field(field, names.get(field.table()), dataset)));
        dataset.calculated().forEach(value -> fields.add(named(value, dataset)));
        return fields;
    }

    private static FieldView field(DatasetModel.FieldInfo info, List<String> names, DatasetModel dataset) {
        Dataset.Field field = info.definition();
        EntryView entry = new EntryView(
                Optional.of(field.column()),
                Optional.empty(),
                field.format(),
                field.unit(),
                field.order(),
                field.lookup(),
                names.stream().filter(name -> !name.equals(field.id())).toList(),
                Optional.empty());
        return view(field.id(), Made.READ, field.description(), field.hidden().orElse(false), entry, dataset);
    }

    private static FieldView named(DatasetModel.NamedValue value, DatasetModel dataset) {
        EntryView entry = new EntryView(
                Optional.empty(),
                Optional.of(value.text()),
                value.format(),
                value.unit(),
                value.order(),
                Optional.empty(),
                List.of(),
                value.direction());
        Made made = value.measure() ? Made.MEASURE : Made.CALCULATED;
        return view(value.id(), made, value.description(), value.hidden(), entry, dataset);
    }

    private static FieldView view(
            String id, Made made, Optional<String> description, boolean hidden, EntryView entry, DatasetModel dataset) {
        Proposals.Subject subject = Proposals.Subject.of(id, dataset);
        return new FieldView(
                subject.id(),
                subject.label(),
                description,
                made,
                subject.type().kind(),
                subject.role(),
                dataset.table(subject.home()).id(),
                hidden,
                entry,
                offers(subject, dataset));
    }

    private static FieldOffersView offers(Proposals.Subject subject, DatasetModel dataset) {
        Kind kind = subject.type().kind();
        return new FieldOffersView(
                subject.measure() ? List.of() : comparisons(kind),
                subject.measure() ? List.of() : words(PromptTypes.of(kind)),
                Proposals.column(subject),
                Proposals.level(subject, dataset)
                        .map(level -> new LevelView(
                                level.key(), level.label(), level.bucket().map(ChoiceWord::of))),
                Proposals.usual(subject).map(Proposals.Total::value),
                Proposals.totals(subject));
    }

    private static List<ComparisonView> comparisons(Kind kind) {
        return FilterComparisons.of(kind).stream()
                .map(one -> new ComparisonView(ChoiceWord.of(one), ChoiceWord.of(one.operands())))
                .toList();
    }

    private static List<String> words(List<? extends Enum<?>> choices) {
        return choices.stream().map(ChoiceWord::of).toList();
    }
}
