package org.grammatus.core.definition.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.problem.ProblemException;
import org.junit.jupiter.api.Test;

/** A dataset built on others has everything of theirs, once, and says where that goes wrong. */
class BuiltOnTest {

    private static Dataset dataset(String id, String rest) {
        return Definitions.readDataset("""
                {"format": "grammatus-dataset", "version": 1, "id": "%s", "label": "%s", %s}""".formatted(id, id, rest));
    }

    private static final Dataset LINES = dataset("lines", """
            "calendar": {"fiscalYearStart": 10}, "grain": "l",
            "tables": [{"id": "l", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}}],
            "joins": [], "fields": [{"id": "net", "table": "l", "column": "net", "label": "Net", "type": "decimal",
            "scale": 2, "role": "additive"}],
            "measures": [{"id": "sales", "label": "Sales", "value": "SUM(net)"}]""");

    private static Dataset with(String id, List<String> bases, String field) {
        String all = bases.stream()
                .map(b -> '"' + b + '"')
                .reduce((a, b) -> a + ", " + b)
                .orElse("");
        return dataset(id, """
                "builtOn": [%s], "grain": "l",
                "tables": [{"id": "t%s", "table": "t", "key": ["id"], "noun": {"one": "t", "other": "ts"}}],
                "joins": [{"id": "j%s", "from": "l", "to": "t%s", "columns": ["t_id"]}],
                "fields": [{"id": "%s", "table": "t%s", "column": "c", "label": "C", "type": "text",
                "role": "descriptive"}],
                "calculated": [{"id": "double_%s", "label": "Double", "value": "net * 2", "role": "additive"}]""".formatted(all, id, id, id, field, id, field));
    }

    private static Dataset flat(Dataset dataset, Dataset... others) {
        Map<String, Dataset> byId = new java.util.HashMap<>();
        for (Dataset other : others) {
            byId.put(other.id(), other);
        }
        return BuiltOn.flattened(dataset, id -> Optional.ofNullable(byId.get(id)));
    }

    @Test
    void itHasTheTablesJoinsAndNamesOfTheOtherAndItsCalendar() {
        Dataset more = with("more", List.of("lines"), "colour");
        DatasetModel model = DatasetModel.of(flat(more, LINES));
        assertThat(model.fields().keySet()).containsExactly("colour", "net");
        assertThat(model.named().keySet()).containsExactly("double_colour", "sales");
        assertThat(model.calendar().startMonth()).isEqualTo(10);
        assertThat(model.table(DatasetModel.GRAIN).table()).isEqualTo("line");
        assertThat(model.field("colour").table()).isEqualTo(1);
    }

    @Test
    void oneThatTwoOthersShareIsInItOnce() {
        Dataset a = with("a", List.of("lines"), "fa");
        Dataset b = with("b", List.of("lines"), "fb");
        Dataset top = with("top", List.of("a", "b"), "ft");
        assertThat(DatasetModel.of(flat(top, a, b, LINES)).fields().keySet())
                .containsExactlyInAnyOrder("ft", "fa", "fb", "net");
    }

    @Test
    void aCircleIsNamed() {
        Dataset a = with("a", List.of("b"), "fa");
        Dataset b = with("b", List.of("a"), "fb");
        assertThatThrownBy(() -> flat(a, a, b))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("built on each other in a circle: a on b on a");
        Dataset itself = with("itself", List.of("itself"), "f");
        assertThatThrownBy(() -> flat(itself, itself)).hasMessageContaining("itself on itself");
    }

    @Test
    void oneIdForTwoThingsIsSaidWithBothDatasets() {
        Dataset clash = with("clash", List.of("lines"), "net");
        assertThatThrownBy(() -> flat(clash, LINES))
                .hasMessageContaining("/fields/0/id")
                .hasMessageContaining("\"net\" is in \"clash\" and in \"lines\"");
    }

    @Test
    void whatIsNotThereIsSaid() {
        assertThatThrownBy(() -> flat(with("a", List.of("gone"), "fa"), LINES))
                .hasMessageContaining("/builtOn/0")
                .hasMessageContaining("unknown dataset \"gone\"");
        assertThatThrownBy(() -> DatasetModel.of(with("a", List.of("lines"), "fa")))
                .hasMessageContaining("/builtOn");
    }
}
