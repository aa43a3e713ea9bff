package org.grammatus.server.dataset;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.runs.profile.DataRows;
import org.grammatus.runs.profile.DatasetProfile;
import org.grammatus.runs.profile.FieldDetail;
import org.grammatus.runs.profile.FieldValues;
import org.grammatus.runs.profile.FoundData;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.RowAccess;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.web.TakesTurn;
import org.grammatus.sources.Reading;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The datasets, for authors. */
@RestController
@RequestMapping("/api/datasets")
class DatasetController {

    private final Datasets datasets;
    private final RowAccess rows;
    private final BusinessDate businessDate;

    DatasetController(Datasets datasets, RowAccess rows, BusinessDate businessDate) {
        this.datasets = datasets;
        this.rows = rows;
        this.businessDate = businessDate;
    }

    private LocalDate today() {
        return businessDate.now().businessDate();
    }

    /**
     * A dataset in a list.
     *
     * @param grain what one row is called
     * @param fault what is wrong, where it cannot be used
     */
    record DatasetLine(
            String id, String label, Optional<String> description, Optional<String> grain, Optional<String> fault) {}

    @GetMapping
    @Operation(operationId = "datasets", summary = "The datasets that reports can stand on")
    List<DatasetLine> list() {
        return datasets.ids().stream()
                .sorted()
                .map(id -> line(datasets.saved(id)))
                .toList();
    }

    private static DatasetLine line(Datasets.Saved saved) {
        Dataset definition = saved.definition();
        return new DatasetLine(
                definition.id(),
                definition.label(),
                definition.description(),
                saved.model()
                        .map(model -> model.table(DatasetModel.GRAIN).noun().one()),
                saved.fault().map(ProblemException::getMessage));
    }

    @GetMapping("/{id}")
    @Operation(operationId = "dataset", summary = "A dataset's fields, and what can be made of each")
    DatasetView one(@PathVariable("id") String id) {
        return DatasetView.of(dataset(id));
    }

    @TakesTurn
    @GetMapping("/{id}/values")
    @Operation(operationId = "values", summary = "A field's values, most frequent first")
    List<FieldValues.Value> values(
            @PathVariable("id") String id,
            @RequestParam("field") String field,
            @RequestParam(name = "find", defaultValue = "") String find,
            Principal principal) {
        DatasetModel dataset = dataset(id);
        return FieldValues.of(
                rows.of(principal), dataset, requireField(dataset, field), FieldValues.Sought.of(find), today());
    }

    @TakesTurn
    @GetMapping("/{id}/profile")
    @Operation(
            operationId = "datasetProfile",
            summary = "How many rows there are, how joins match, each field at a glance")
    DatasetProfile profile(@PathVariable("id") String id, Principal principal) {
        return DatasetProfile.of(rows.of(principal), dataset(id), today());
    }

    @TakesTurn
    @GetMapping("/{id}/fields/{field}/profile")
    @Operation(operationId = "fieldProfile", summary = "All that is known of a field's values")
    FieldDetail fieldProfile(@PathVariable("id") String id, @PathVariable("field") String field, Principal principal) {
        DatasetModel dataset = dataset(id);
        return FieldDetail.of(rows.of(principal), dataset, requireField(dataset, field), today());
    }

    @TakesTurn
    @GetMapping("/{id}/rows")
    @Operation(
            operationId = "datasetRows",
            summary = "Some of the rows, all of them or those with one value of a field")
    DataRows rows(
            @PathVariable("id") String id,
            @RequestParam(name = "field", required = false) Optional<String> field,
            @RequestParam(name = "value", defaultValue = "") String value,
            @RequestParam(name = "offset", defaultValue = "0") int offset,
            @RequestParam(name = "limit", defaultValue = "50") int limit,
            Principal principal) {
        DatasetModel dataset = dataset(id);
        Optional<DataRows.Only> only = field.map(f -> new DataRows.Only(requireField(dataset, f), value));
        return DataRows.of(rows.of(principal), dataset, only, offset, limit, today());
    }

    @TakesTurn
    @GetMapping("/{id}/find")
    @Operation(operationId = "findData", summary = "Where a text stands in the data, whatever field holds it")
    FoundData find(@PathVariable("id") String id, @RequestParam("text") String text, Principal principal) {
        return FoundData.of(rows.of(principal), dataset(id), text, today());
    }

    /** When the rows were read that are shown; none before they are. */
    record ReadingView(Optional<Instant> readAt) {}

    @GetMapping("/{id}/reading")
    @Operation(operationId = "datasetReading", summary = "When the rows were read that are shown")
    ReadingView reading(@PathVariable("id") String id, Principal principal) {
        return new ReadingView(rows.of(principal).readAt(Reading.ofAnything(dataset(id))));
    }

    @PostMapping("/{id}/reading")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "readAgain", summary = "From now on shows rows that are read from now on")
    void readAgain(@PathVariable("id") String id, Principal principal) {
        rows.of(principal).readAgain(dataset(id));
    }

    private static String requireField(DatasetModel dataset, String field) {
        if (!dataset.rowNames().contains(field)) {
            throw new NotFoundException(
                    "The dataset has no field \"" + field + "\"" + Suggestion.inWords(field, dataset.rowNames()));
        }
        return field;
    }

    private DatasetModel dataset(String id) {
        Datasets.Saved saved = datasets.saved(id);
        return saved.model().orElseThrow(() -> saved.fault().orElseThrow());
    }
}
