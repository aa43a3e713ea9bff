package org.grammatus.core.modelling;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.FoldedText;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** Makes a dataset's definition grow by whole tables, each with a guessed dictionary of all its columns. Stateless. */
public final class Draft {

    private static final int LONGEST_LABEL = 200;

    /** Names that say nothing without the thing whose they are. */
    private static final Set<String> GENERIC = Set.of(
            "id",
            "key",
            "code",
            "name",
            "number",
            "no",
            "nr",
            "status",
            "type",
            "title",
            "description",
            "label",
            "category",
            "date",
            "kind",
            "unit",
            "contact",
            "reference");

    private Draft() {}

    /**
     * A table of a source with some of its values.
     *
     * @param source id of the source; none is the usual one
     * @param samples by column; a column without one is told by its name and type alone
     */
    public record SampledTable(Optional<String> source, TableShape shape, Map<String, ColumnSample> samples) {}

    /** What one row of a table and several are probably called. */
    public static Dataset.Noun noun(String table) {
        return NameWords.noun(table);
    }

    /**
     * A dataset whose rows are those of a table.
     *
     * @param id of the dataset
     */
    public static Dataset of(String id, SampledTable grain) {
        Dataset.Noun noun = NameWords.noun(grain.shape().name());
        Dataset empty = new Dataset(
                Dataset.FORMAT,
                Dataset.VERSION,
                id,
                NameWords.label(List.of(noun.other())),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                "",
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty());
        return withTable(empty, grain, key(grain.shape()), Optional.empty());
    }

    /**
     * A dataset with everything of another, to which more can be added.
     *
     * @param id of the new dataset
     */
    public static Dataset on(String id, Dataset base) {
        return new Dataset(
                Dataset.FORMAT,
                Dataset.VERSION,
                id,
                base.label(),
                Optional.empty(),
                Optional.of(List.of(base.id())),
                Optional.empty(),
                Optional.empty(),
                base.grain(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty());
    }

    /**
     * A dataset with one more table.
     *
     * @param whole the same dataset with all it is built on: the table may hang on that
     * @param from id of the table that points to it
     * @param columns of that table that hold the key
     * @param key the columns by which the new table's rows are found
     * @param keep which rows stay
     */
    public static Dataset joined(
            Dataset dataset,
            Dataset whole,
            String from,
            List<String> columns,
            SampledTable to,
            List<String> key,
            Optional<Dataset.Keep> keep) {
        Dataset grown = withTable(whole, to, key, Optional.of(new Pointer(from, columns, keep)));
        return dataset.with(
                dataset.grain(),
                added(dataset.tables(), whole.tables(), grown.tables()),
                added(dataset.joins(), whole.joins(), grown.joins()),
                added(
                        dataset.fields().stream()
                                .map(field -> field.table().equals(from) && columns.contains(field.column())
                                        ? withoutUse(field, grown.tables().getLast())
                                        : field)
                                .toList(),
                        whole.fields(),
                        grown.fields()));
    }

    /** A number that now leads to a row says nothing by itself any more; what it leads to may have a name. */
    private static Dataset.Field withoutUse(Dataset.Field pointer, Dataset.Table to) {
        Optional<String> name = to.key().size() == 1 ? to.name() : Optional.empty();
        return pointer.type() == Kind.INTEGER ? pointer.asKey(name) : pointer;
    }

    private static <T> List<T> added(List<T> own, List<T> before, List<T> after) {
        List<T> all = new ArrayList<>(own);
        all.addAll(after.subList(before.size(), after.size()));
        return all;
    }

    /** A dataset without a table and all that hangs on it; what is said of their fields goes, too. */
    public static Dataset without(Dataset dataset, String table) {
        Set<String> gone = new HashSet<>(Set.of(table));
        for (boolean grew = true; grew; ) {
            grew = false;
            for (Dataset.Join join : dataset.joins()) {
                grew |= gone.contains(join.from()) && gone.add(join.to());
            }
        }
        Set<String> goneFields = dataset.fields().stream()
                .filter(f -> gone.contains(f.table()))
                .map(Dataset.Field::id)
                .collect(Collectors.toSet());
        return dataset.with(
                dataset.grain(),
                dataset.tables().stream().filter(t -> !gone.contains(t.id())).toList(),
                dataset.joins().stream().filter(j -> !gone.contains(j.to())).toList(),
                dataset.fields().stream()
                        .filter(f -> !gone.contains(f.table()))
                        .map(f -> f.without(goneFields))
                        .toList());
    }

    private record Pointer(String from, List<String> columns, Optional<Dataset.Keep> keep) {}

    /** What tells rows apart: the declared key, else the first unique columns, else all that fields can hold. */
    private static List<String> key(TableShape shape) {
        if (!shape.key().isEmpty()) {
            return shape.key();
        }
        return shape.unique().stream()
                .findFirst()
                .orElseGet(() -> shape.columns().stream()
                        .filter(column -> column.type().isPresent())
                        .map(TableShape.Column::name)
                        .limit(MOST_KEY_COLUMNS)
                        .toList());
    }

    private static final int MOST_KEY_COLUMNS = 8;

    private static void requireFew(TableShape shape, int fields) {
        if (fields > Dataset.MOST_FIELDS) {
            throw new ProblemException(Problem.error(
                    "/table",
                    "%s has %,d columns, and with them the dataset would have %,d fields, more than %,d; have a view made in the source of those that reports need"
                            .formatted(shape.name(), shape.columns().size(), fields, Dataset.MOST_FIELDS)));
        }
    }

    private static Dataset withTable(Dataset dataset, SampledTable added, List<String> key, Optional<Pointer> pointer) {
        Set<String> ids = new HashSet<>();
        dataset.tables().forEach(table -> ids.add(table.id()));
        dataset.joins().forEach(join -> ids.add(join.id()));
        dataset.fields().forEach(field -> ids.add(field.id()));
        dataset.calculated().orElse(List.of()).forEach(value -> ids.add(value.id()));
        dataset.measures().orElse(List.of()).forEach(value -> ids.add(value.id()));
        TableShape shape = added.shape();
        Dataset.Noun noun = noun(dataset, shape, pointer);
        String tableId = NameWords.freeId(NameWords.of(noun.other()), id -> !ids.add(id));
        Set<String> labels = new HashSet<>();
        dataset.fields().forEach(field -> labels.add(FoldedText.of(field.label())));
        List<Dataset.Field> fields = new ArrayList<>(dataset.fields());
        Optional<String> code = Optional.empty();
        Optional<String> name = Optional.empty();
        for (TableShape.Column column : shape.columns()) {
            if (column.type().isEmpty()) {
                continue;
            }
            Dataset.Field field = field(added, column, tableId, noun, ids, labels);
            fields.add(field);
            boolean text = field.type() == Kind.TEXT;
            String last = NameWords.last(column.name());
            if (text && code.isEmpty() && field.role() == Dataset.Role.IDENTIFIER && isUnique(shape, column.name())) {
                code = Optional.of(field.id());
            }
            if (text && name.isEmpty() && (last.equals("name") || last.equals("title"))) {
                name = Optional.of(field.id());
            }
        }
        requireFew(shape, fields.size());
        List<Dataset.Table> tables = new ArrayList<>(dataset.tables());
        tables.add(new Dataset.Table(
                tableId, added.source(), shape.name(), key, noun, code, name.isPresent() ? name : code));
        List<Dataset.Join> joins = new ArrayList<>(dataset.joins());
        pointer.ifPresent(p -> joins.add(new Dataset.Join(
                NameWords.freeId(List.of("to", tableId), id -> !ids.add(id)),
                p.from(),
                tableId,
                p.columns(),
                p.keep())));
        return dataset.with(pointer.isEmpty() ? tableId : dataset.grain(), tables, joins, fields);
    }

    /** A table that is there a second time is called after the columns that point to it: "billing apiary". */
    private static Dataset.Noun noun(Dataset dataset, TableShape shape, Optional<Pointer> pointer) {
        Dataset.Noun noun = NameWords.noun(shape.name());
        boolean again = dataset.tables().stream().anyMatch(table -> table.noun().equals(noun));
        if (!again || pointer.isEmpty()) {
            return noun;
        }
        List<String> words =
                new ArrayList<>(NameWords.of(pointer.get().columns().getFirst()));
        words.removeAll(NameWords.of(noun.one()));
        words.removeAll(Set.of("id", "key", "code", "no", "nr", "number"));
        String before = words.isEmpty() ? "second" : String.join(" ", words);
        return new Dataset.Noun(before + " " + noun.one(), before + " " + noun.other());
    }

    private static boolean isUnique(TableShape shape, String column) {
        return shape.key().equals(List.of(column)) || shape.unique().contains(List.of(column));
    }

    private static Dataset.Field field(
            SampledTable table,
            TableShape.Column column,
            String tableId,
            Dataset.Noun noun,
            Set<String> ids,
            Set<String> labels) {
        ColumnSample sample = table.samples().getOrDefault(column.name(), ColumnSample.NONE);
        FieldGuess guess = FieldGuess.of(table.shape(), column, column.type().orElseThrow(), sample);
        List<String> words = NameWords.of(column.name());
        boolean generic = words.size() == 1 && GENERIC.contains(words.getFirst());
        List<String> called = new ArrayList<>(NameWords.of(noun.one()));
        called.addAll(words);
        boolean taken = labels.contains(FoldedText.of(label(words)));
        List<String> wanted = generic || taken ? called : words;
        String label = freeLabel(label(wanted), labels);
        Type type = guess.type();
        boolean joinedBy = FieldGuess.isKey(table.shape(), column.name())
                && NameWords.last(column.name()).matches("id|key");
        return new Dataset.Field(
                NameWords.freeId(wanted, id -> !ids.add(id)),
                tableId,
                column.name(),
                label,
                Optional.empty(),
                type.kind(),
                type.kind() == Kind.DECIMAL ? Optional.of(type.scale()) : Optional.empty(),
                guess.role(),
                guess.format(),
                Optional.empty(),
                type.kind() == Kind.TEXT ? CalendarNames.order(sample) : Optional.empty(),
                Optional.empty(),
                joinedBy ? Optional.of(true) : Optional.empty());
    }

    private static String label(List<String> words) {
        String label = NameWords.label(words);
        return label.substring(0, Math.min(LONGEST_LABEL, label.length()));
    }

    /** A label unlike those that are taken: one that differs in capitals or accents alone is the same to a reader. */
    private static String freeLabel(String wanted, Set<String> taken) {
        String label = wanted;
        for (int i = 2; !taken.add(FoldedText.of(label)); i++) {
            String number = " " + i;
            label = wanted.substring(0, Math.min(LONGEST_LABEL - number.length(), wanted.length())) + number;
        }
        return label;
    }
}
