package org.grammatus.server.bench;

import java.util.Optional;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.edit.EditOffers;
import org.grammatus.core.edit.Edits;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.dataset.Datasets;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** Makes named edits to definitions that are being edited, whatever else is wrong with them. */
@Component
class DraftEdits {

    private final Datasets datasets;
    private final BusinessDate businessDate;

    DraftEdits(Datasets datasets, BusinessDate businessDate) {
        this.datasets = datasets;
        this.businessDate = businessDate;
    }

    /**
     * A definition as it is read, with an edit made.
     *
     * @param block id of the block that is worked on
     * @throws ProblemException if the definition cannot be read, or the edit cannot be made
     */
    Report edited(Report draft, JsonNode edit, Optional<String> block) {
        return Edits.apply(draft, Definitions.readEdit(edit.toString()), scope(draft, block));
    }

    /** What can be done next with a block of a definition that is wrong; none where it cannot be read at all. */
    Optional<OffersView> offers(JsonNode definition, Optional<String> block) {
        try {
            return offers(Definitions.readDraft(definition.toString()), block);
        } catch (ProblemException e) {
            // What is wrong is told by the preview.
            return Optional.empty();
        }
    }

    /** What can be done next with a block of a report; none where its dataset is not there. */
    Optional<OffersView> offers(Report draft, Optional<String> block) {
        try {
            return Optional.of(OffersView.of(EditOffers.of(draft, scope(draft, block))));
        } catch (ProblemException e) {
            // What is wrong is told by the preview.
            return Optional.empty();
        }
    }

    private EditScope scope(Report draft, Optional<String> block) {
        return new EditScope(block, datasets.of(draft), businessDate.of(draft).businessDate());
    }
}
