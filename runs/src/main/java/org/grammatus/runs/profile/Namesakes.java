package org.grammatus.runs.profile;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/** Rows of a table that go by one name, told apart by their codes and by what else is said of them. */
public final class Namesakes {

    /** More tell nobody anything. */
    private static final int MOST = 12;

    private static final int MOST_DETAILS = 2;

    private final Map<Scalar, List<Integer>> rowsOf = new HashMap<>();
    private final String codeField;
    private final Column codes;
    private final List<Column> details;

    /**
     * One of several that share a name.
     *
     * @param field id of the field that tells them apart
     * @param code its value
     * @param about what else differs, such as a town and a region; may be empty
     */
    public record Namesake(String field, String code, String about) {}

    private Namesakes(String codeField, Column names, Column codes, List<Column> details) {
        this.codeField = codeField;
        this.codes = codes;
        this.details = details;
        for (int row = 0; row < names.size(); row++) {
            if (!names.isNull(row) && !codes.isNull(row)) {
                rowsOf.computeIfAbsent(Scalars.at(names, row), name -> new ArrayList<>())
                        .add(row);
            }
        }
    }

    /** The field that tells apart what a field names; none where the field names nothing, or names each apart. */
    private static Optional<String> codeOf(DatasetModel dataset, String field) {
        if (!dataset.fields().containsKey(field)) {
            return Optional.empty();
        }
        Dataset.Table table = dataset.table(dataset.field(field).table());
        return table.name().filter(field::equals).isPresent()
                ? table.code().filter(code -> !code.equals(field))
                : Optional.empty();
    }

    /** Ids of the fields that tell apart what a field names; none where nothing has to be told apart. */
    static Set<String> fields(DatasetModel dataset, String field) {
        return codeOf(dataset, field)
                .<Set<String>>map(code -> {
                    Set<String> fields = new TreeSet<>(Set.of(code));
                    dataset.fields().forEach((id, info) -> {
                        boolean isDetail = info.table() == dataset.field(field).table()
                                && info.type().equals(Type.TEXT)
                                && !info.definition().hidden().orElse(false);
                        if (isDetail && !id.equals(field)) {
                            fields.add(id);
                        }
                    });
                    return fields;
                })
                .orElse(Set.of());
    }

    /** Those of a field whose rows were read with {@link #fields}; none where nothing has to be told apart. */
    static Optional<Namesakes> of(Star star, DatasetModel dataset, String field) {
        return codeOf(dataset, field).flatMap(code -> {
            Map<String, Column> read = star.table(dataset.field(field).table()).fields();
            return Optional.ofNullable(read.get(code)).map(codes -> {
                Map<String, Column> rest = new TreeMap<>(read);
                rest.keySet().retainAll(fields(dataset, field));
                rest.remove(code);
                return new Namesakes(code, read.get(field), codes, List.copyOf(rest.values()));
            });
        });
    }

    /** Those who share a name, by their codes; none where one alone has it. */
    List<Namesake> of(Scalar name) {
        List<Integer> rows = rowsOf.getOrDefault(name, List.of());
        if (rows.size() < 2) {
            return List.of();
        }
        List<Column> telling = details.stream()
                .filter(detail -> differing(detail, rows) > 1)
                .sorted(Comparator.comparingInt((Column detail) -> differing(detail, rows))
                        .reversed())
                .limit(MOST_DETAILS)
                .toList();
        return rows.stream()
                .map(row -> new Namesake(
                        codeField,
                        ScalarText.write(Scalars.at(codes, row)),
                        telling.stream()
                                .filter(detail -> !detail.isNull(row))
                                .map(detail -> ScalarText.write(Scalars.at(detail, row)))
                                .collect(Collectors.joining(", "))))
                .sorted(Comparator.comparing(Namesake::code))
                .limit(MOST)
                .toList();
    }

    private static int differing(Column column, List<Integer> rows) {
        return (int)
                rows.stream().map(row -> Scalars.at(column, row)).distinct().count();
    }
}
