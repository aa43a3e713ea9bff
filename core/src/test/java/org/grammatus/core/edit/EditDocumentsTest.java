package org.grammatus.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.document.DocumentPatch;
import org.grammatus.core.definition.edit.EditCatalogue;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Edits as documents, and the patches that they are written down as. */
class EditDocumentsTest {

    @Test
    void everyFaultOfAnEditIsSaidAtItsPlace() {
        assertThatThrownBy(() -> Definitions.readEdit("{\"edit\": \"show-rows\", \"shown\": \"yes\", \"rows\": 3}"))
                .isInstanceOfSatisfying(
                        ProblemException.class,
                        e -> assertThat(e.problems())
                                .extracting(Problem::pointer)
                                .containsExactly("/shown", "/rows"));
        assertThatThrownBy(() -> Definitions.readEdit("{\"edit\": \"add-level\"}"))
                .hasMessageContaining("missing");
        assertThatThrownBy(() -> Definitions.readEdit(
                        "{\"edit\": \"place-total\", \"total\": \"t\", \"at\": \"a\", \"in\": \"side\"}"))
                .hasMessageContaining("header, footer, none");
        assertThatThrownBy(() -> Definitions.readEdit("{\"edit\": \"grow\"}")).hasMessageContaining("add-column");
    }

    @Test
    void everyEditSaysWhatItDoes() {
        assertThat(EditCatalogue.all()).hasSizeGreaterThan(40).allSatisfy(kind -> {
            assertThat(kind.name()).matches("[a-z]+(-[a-z]+)*");
            assertThat(kind.does()).endsWith(".");
        });
        assertThat(EditCatalogue.all().stream().map(EditCatalogue.EditKind::name))
                .doesNotHaveDuplicates();
    }

    private static JsonNode json(String text) {
        return JsonMapper.shared().readTree(text.replace('\'', '"'));
    }

    @Test
    void aPatchNamesOnlyWhatChanges() {
        JsonNode before = json("{'a': [{'id': 1}, {'id': 2}, {'id': 3}], 'b/c': 1, 'd': {'e': true}}");
        JsonNode after = json("{'a': [{'id': 1}, {'id': 4}, {'id': 3}, {'id': 5}], 'b/c': 2, 'd': {}}");
        JsonNode patch = DocumentPatch.between(before, after);
        assertThat(patch.valueStream()
                        .map(step -> step.path("op").asString() + " "
                                + step.path("path").asString()))
                .containsExactlyInAnyOrder("replace /a/1/id", "add /a/3", "replace /b~1c", "remove /d/e");
        assertThat(DocumentPatch.applied(before, patch)).isEqualTo(after);
        assertThat(DocumentPatch.applied(after, DocumentPatch.between(after, before)))
                .isEqualTo(before);
        assertThat(DocumentPatch.between(before, before)).isEmpty();
    }
}
