package org.grammatus.server.dataset;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.runs.profile.NamedValueCheck;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.account.RowAccess;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.problem.ProblemView;
import org.grammatus.server.web.TakesTurn;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Changing a dataset's dictionary: labels, calculated fields, measures. For authors alone. */
@RestController
@RequestMapping("/api/datasets/{id}")
class DatasetEditingController {

    private final Datasets datasets;
    private final Accounts accounts;
    private final RowAccess rows;
    private final BusinessDate businessDate;
    private final JsonMapper json;

    DatasetEditingController(
            Datasets datasets, Accounts accounts, RowAccess rows, BusinessDate businessDate, JsonMapper json) {
        this.datasets = datasets;
        this.accounts = accounts;
        this.rows = rows;
        this.businessDate = businessDate;
        this.json = json;
    }

    /** A dataset's document and which revision it is; 0 as it comes with the product. */
    record DatasetEditingView(JsonNode definition, long revision) {}

    /** A changed document and the revision it was changed from. */
    record ChangedDatasetBody(JsonNode definition, long base) {}

    /** The newest revision's number. */
    record SavedDatasetView(long revision) {}

    /**
     * A changed document, and the calculated field or measure of it that is asked about.
     *
     * @param value its id
     */
    record CheckBody(JsonNode definition, String value) {}

    /** What is wrong with the document; or, where nothing is, what the value gives. */
    record CheckView(List<ProblemView> problems, Optional<NamedValueCheck> result) {}

    @GetMapping("/editing")
    @Operation(operationId = "datasetEditing", summary = "A dataset's document, to be changed")
    DatasetEditingView editing(@PathVariable("id") String id) {
        Datasets.Saved saved = datasets.saved(id);
        return new DatasetEditingView(json.readTree(Definitions.write(saved.definition())), saved.revision());
    }

    @TakesTurn
    @PostMapping("/check")
    @Operation(
            operationId = "checkDataset",
            summary = "What is wrong with a changed document, and what a calculated field or measure of it gives")
    CheckView check(@PathVariable("id") String id, @RequestBody CheckBody body, Principal principal) {
        datasets.saved(id);
        DatasetModel model;
        try {
            model = datasets.model(datasets.read(id, body.definition().toString()));
        } catch (ProblemException e) {
            return new CheckView(e.problems().stream().map(ProblemView::of).toList(), Optional.empty());
        }
        if (model.named(body.value()) == null) {
            throw new NotFoundException("The document has no calculated field or measure \"" + body.value() + "\"");
        }
        return new CheckView(
                List.of(),
                Optional.of(NamedValueCheck.of(rows.of(principal), model, body.value(), businessDate.now())));
    }

    @TakesTurn
    @PutMapping
    @Operation(operationId = "saveDataset", summary = "Saves a changed document; refused where somebody saved since")
    SavedDatasetView save(@PathVariable("id") String id, @RequestBody ChangedDatasetBody body, Principal principal) {
        datasets.saved(id);
        Dataset definition = datasets.read(id, body.definition().toString());
        return new SavedDatasetView(datasets.save(
                definition, body.base(), accounts.find(principal.getName()).orElseThrow()));
    }
}
