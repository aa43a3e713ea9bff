package org.grammatus.core.modelling;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Dataset.Role;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.value.FoldedText;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is guessed of tables, and that the datasets made of them are sound. */
class DraftTest {

    private static TableShape table(String name, List<String> key, String... columns) {
        List<TableShape.Column> all = Arrays.stream(columns)
                .map(column -> column.split(" "))
                .map(parts ->
                        new TableShape.Column(parts[0], Optional.of(type(parts[1])), parts[1].equals("binary"), true))
                .toList();
        return new TableShape(name, all, key, List.of(), List.of(), false);
    }

    private static Type type(String word) {
        return switch (word) {
            case "int" -> Type.INTEGER;
            case "binary" -> Type.decimal(6);
            case "date" -> Type.DATE;
            default -> Type.TEXT;
        };
    }

    private static Draft.SampledTable sampled(TableShape shape) {
        return new Draft.SampledTable(Optional.empty(), shape, Map.of());
    }

    private static Dataset.Field guessed(String column, String type, String... values) {
        TableShape shape = table("harvest", List.of("harvest_key"), "harvest_key int", column + " " + type);
        Map<String, ColumnSample> samples = Map.of(column, new ColumnSample(List.of(values)));
        return Draft.of("d", new Draft.SampledTable(Optional.empty(), shape, samples))
                .fields()
                .get(1);
    }

    @ParameterizedTest
    @CsvSource({
        "unit_price, int, NOT_ADDITIVE, DECIMAL",
        "ListPrice, int, NOT_ADDITIVE, DECIMAL",
        "freight, int, ADDITIVE, DECIMAL",
        "net_amount, int, ADDITIVE, DECIMAL",
        "cost, binary, ADDITIVE, DECIMAL",
        "quantity, int, ADDITIVE, INTEGER",
        "order_number, text, IDENTIFIER, TEXT",
        "line_number, int, IDENTIFIER, INTEGER",
        "price_code, int, IDENTIFIER, INTEGER",
        "discount, int, NOT_ADDITIVE, INTEGER",
        "temperature, binary, NOT_ADDITIVE, DECIMAL",
        "year, int, IDENTIFIER, INTEGER",
        "region, text, DESCRIPTIVE, TEXT",
        "day, date, DESCRIPTIVE, DATE"
    })
    void aColumnIsToldByItsNameAndType(String column, String type, Role role, Kind kind) {
        Dataset.Field field = guessed(column, type);
        assertThat(field.role()).isEqualTo(role);
        assertThat(field.type()).isEqualTo(kind);
    }

    @Test
    void moneyInASourceWithoutDecimalsIsTakenForHundredths() {
        assertThat(guessed("freight", "int").scale()).contains(2);
        assertThat(guessed("freight", "int").format()).contains("#,##0.00");
        assertThat(guessed("quantity", "int").scale()).isEmpty();
    }

    @Test
    void textsThatAreAllDatesAreDates() {
        assertThat(guessed("seen", "text", "2026-01-31", "2025-12-01").type()).isEqualTo(Kind.DATE);
        assertThat(guessed("seen", "text", "2026-01-31", "2025-12-01 10:00:00").type())
                .isEqualTo(Kind.TIMESTAMP);
        assertThat(guessed("seen", "text", "2026-01-31", "soon").type()).isEqualTo(Kind.TEXT);
        assertThat(guessed("seen", "text").type()).isEqualTo(Kind.TEXT);
    }

    @Test
    void namesOfMonthsAndWeekdaysStandInTheirOrder() {
        assertThat(guessed("m", "text", "March", "January", "May", "March")
                        .order()
                        .orElseThrow())
                .startsWith("January", "February", "March")
                .hasSize(12);
        assertThat(guessed("m", "text", "MON", "TUE", "SUN").order().orElseThrow())
                .startsWith("MON", "TUE")
                .endsWith("SUN");
        assertThat(guessed("m", "text", "Montag", "Dienstag", "Sonntag").order().orElseThrow())
                .startsWith("Montag", "Dienstag");
        assertThat(guessed("m", "text", "May", "June", "Rose").order()).isEmpty();
        assertThat(guessed("m", "text", "May", "May").order())
                .as("too few to tell")
                .isEmpty();
    }

    @Test
    void tablesAreCalledByOneAndSeveralOfTheirRows() {
        assertThat(List.of("sales_order_line", "APIARIES", "wax.Boxes", "Bus", "honeyJar").stream()
                        .map(Draft::noun)
                        .map(noun -> noun.one() + "/" + noun.other()))
                .containsExactly(
                        "sales order line/sales order lines",
                        "apiary/apiaries",
                        "box/boxes",
                        "bus/buses",
                        "honey jar/honey jars");
    }

    private static final TableShape LINE =
            table("sales_order_line", List.of("line_id"), "line_id int", "order_id int", "name text", "status text");
    private static final TableShape ORDER = table(
            "sales_order", List.of("order_id"), "order_id int", "name text", "billing_yard int", "shipping_yard int");
    private static final TableShape OTHER_ORDER = table("purchase_order", List.of("order_id"), "order_id int");
    private static final TableShape OTHER_LINE = table("purchase_order_line", List.of("line_id"), "line_id int");
    private static final TableShape YARD = table("yard", List.of("id"), "id int", "name text");

    private static List<String> ways(TableShape from, TableShape to) {
        return JoinSuggestion.between(from, to).stream()
                .map(s -> s.columns() + "→" + s.key() + " " + s.reason())
                .toList();
    }

    @Test
    void joinsAreSuggestedByNamesAndNotWhereOnlyKeysAreAlike() {
        assertThat(ways(LINE, ORDER)).containsExactly("[order_id]→[order_id] NAMED_AFTER");
        assertThat(ways(LINE, OTHER_ORDER)).containsExactly("[order_id]→[order_id] SAME_NAME");
        assertThat(ways(LINE, OTHER_LINE)).as("both are just numbered").isEmpty();
        assertThat(ways(LINE, LINE)).isEmpty();
        assertThat(ways(YARD, ORDER)).isEmpty();
    }

    @Test
    void declaredKeysComeFirstWhateverTheNames() {
        TableShape declared = new TableShape(
                ORDER.name(),
                ORDER.columns(),
                ORDER.key(),
                List.of(),
                List.of(
                        new TableShape.Reference(List.of("billing_yard"), "yard", List.of("id")),
                        new TableShape.Reference(List.of("shipping_yard"), "yard", List.of("id"))),
                true);
        assertThat(ways(declared, YARD))
                .containsExactly("[billing_yard]→[id] DECLARED", "[shipping_yard]→[id] DECLARED");
    }

    @Test
    void oneTableJoinsUnderTwoNamesAndEverythingHasAnIdAndALabelOfItsOwn() {
        Dataset dataset = Draft.of("d", sampled(LINE));
        dataset = Draft.joined(
                dataset,
                dataset,
                dataset.grain(),
                List.of("order_id"),
                sampled(ORDER),
                List.of("order_id"),
                Optional.empty());
        String orders = dataset.tables().get(1).id();
        for (String column : List.of("billing_yard", "shipping_yard")) {
            dataset = Draft.joined(
                    dataset,
                    dataset,
                    orders,
                    List.of(column),
                    sampled(YARD),
                    List.of("id"),
                    Optional.of(Dataset.Keep.MATCHED));
        }
        // Sound by every rule of definitions.
        DatasetModel model = DatasetModel.of(Definitions.readDataset(Definitions.write(dataset)));
        assertThat(model.tableCount()).isEqualTo(4);
        assertThat(dataset.tables().stream().map(t -> t.noun().one()))
                .containsExactly("sales order line", "sales order", "yard", "shipping yard");
        assertThat(dataset.fields().stream().map(Dataset.Field::label).collect(Collectors.toSet()))
                .hasSize(dataset.fields().size())
                .contains("Sales order line name", "Sales order name", "Yard name", "Shipping yard name");
        assertThat(dataset.fields().stream()
                        .filter(f -> f.hidden().orElse(false))
                        .map(Dataset.Field::column))
                .as("keys that are only joined by")
                .contains("line_id");
        Dataset.Table yards = dataset.tables().get(2);
        assertThat(lookup(dataset, "billing_yard"))
                .as("a number is shown by the name it leads to")
                .isEqualTo(yards.name());
        assertThat(yards.name()).isPresent();
        assertThat(lookup(Draft.without(dataset, yards.id()), "billing_yard")).isEmpty();
        Dataset without = Draft.without(dataset, orders);
        assertThat(without.tables()).hasSize(1);
        assertThat(without.joins()).isEmpty();
        assertThat(without.fields()).hasSize(LINE.columns().size());
    }

    private static Optional<String> lookup(Dataset dataset, String column) {
        return dataset.fields().stream()
                .filter(field -> field.column().equals(column))
                .findFirst()
                .flatMap(Dataset.Field::lookup);
    }

    /** Names as other programs leave them behind: signs, digits first, nothing at all, the same but for capitals or accents, very long. */
    @Test
    void columnsOfOddNamesGetLabelsThatTellThemApart() {
        List<String> names = List.of(
                "Desc.",
                "desc",
                "DÉSC",
                "#",
                "%",
                "1st",
                "…",
                "",
                " ",
                "a.b.",
                "x".repeat(200),
                "X".repeat(199) + "x",
                "\"quoted\"",
                "select");
        List<TableShape.Column> columns = names.stream()
                .map(name -> new TableShape.Column(name, Optional.of(Type.TEXT), false, true))
                .toList();
        TableShape odd = new TableShape("export.2026", columns, List.of("#"), List.of(), List.of(), false);
        Dataset dataset = Draft.of("d", new Draft.SampledTable(Optional.empty(), odd, Map.of()));
        List<String> labels =
                dataset.fields().stream().map(Dataset.Field::label).toList();
        assertThat(labels)
                .startsWith("Desc")
                .contains("Percent", "1st", "Column")
                .doesNotHaveDuplicates();
        assertThat(labels).allMatch(label -> !label.isBlank() && label.length() <= 200);
        assertThat(labels.stream().map(FoldedText::of).distinct()).hasSize(names.size());
        assertThat(dataset.fields().stream().map(Dataset.Field::column)).containsExactlyElementsOf(names);
        // What is written is read again, and every field can be named in an expression.
        assertThat(DatasetModel.of(Definitions.readDataset(Definitions.write(dataset)))
                        .fields())
                .hasSize(names.size());
    }
}
