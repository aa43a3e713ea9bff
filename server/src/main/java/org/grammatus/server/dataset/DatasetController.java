package org.grammatus.server.dataset;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.runs.FieldValues;
import org.grammatus.server.library.Datasets;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.sources.Source;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The datasets, for authors. */
@RestController
@RequestMapping("/api/datasets")
class DatasetController {

    private final Datasets datasets;
    private final Source source;

    DatasetController(Datasets datasets, Source source) {
        this.datasets = datasets;
        this.source = source;
    }

    /** A dataset in a list. */
    record DatasetLine(String id, String label, Optional<String> description, String grain) {}

    @GetMapping
    @Operation(operationId = "datasets", summary = "The datasets that reports can stand on")
    List<DatasetLine> list() {
        return datasets.ids().stream()
                .sorted()
                .map(id -> DatasetView.of(datasets.require(id)))
                .map(view -> new DatasetLine(view.id(), view.label(), view.description(), view.grain()))
                .toList();
    }

    @GetMapping("/{id}")
    @Operation(operationId = "dataset", summary = "A dataset's fields, and what can be made of each")
    DatasetView one(@PathVariable("id") String id) {
        return DatasetView.of(dataset(id));
    }

    @GetMapping("/{id}/values")
    @Operation(operationId = "values", summary = "A field's values, most frequent first")
    List<FieldValues.Value> values(
            @PathVariable("id") String id,
            @RequestParam("field") String field,
            @RequestParam(name = "find", defaultValue = "") String find) {
        DatasetModel dataset = dataset(id);
        if (dataset.field(field) == null) {
            throw new NotFoundException("The dataset has no field \"" + field + "\"");
        }
        return FieldValues.of(source, dataset, field, find);
    }

    private DatasetModel dataset(String id) {
        return datasets.find(id).orElseThrow(() -> new NotFoundException("There is no dataset \"" + id + "\""));
    }
}
