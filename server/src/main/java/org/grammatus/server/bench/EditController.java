package org.grammatus.server.bench;

import io.swagger.v3.oas.annotations.Operation;
import java.util.Optional;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.document.DocumentPatch;
import org.grammatus.server.web.TakesTurn;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Named edits of reports, for authors and scripts: definition and edit in, definition out. Nothing is kept. */
@RestController
@RequestMapping("/api/edits")
class EditController {

    private final DraftEdits edits;

    EditController(DraftEdits edits) {
        this.edits = edits;
    }

    /**
     * An edit to be made.
     *
     * @param block id of the block that is worked on; the first that is switched on unless given
     */
    record EditBody(JsonNode definition, JsonNode edit, Optional<String> block) {}

    /**
     * A definition with an edit made.
     *
     * @param patch what leads to it, as JSON Patch (RFC 6902)
     * @param inverse what leads back
     */
    record EditedView(JsonNode definition, JsonNode patch, JsonNode inverse) {}

    @TakesTurn
    @PostMapping
    @Operation(operationId = "edit", summary = "A definition with a named edit made, and the patches there and back")
    EditedView edit(@RequestBody EditBody body) {
        Report draft = Definitions.readDraft(body.definition().toString());
        JsonNode before = Definitions.tree(draft);
        JsonNode after = Definitions.tree(edits.edited(draft, body.edit(), body.block()));
        return new EditedView(after, DocumentPatch.between(before, after), DocumentPatch.between(after, before));
    }
}
