package org.grammatus.core.plan;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;

/**
 * The datasets that a report's blocks are over. Immutable.
 *
 * @param main the report's own
 * @param others those of its blocks besides, by id
 */
public record ReportDatasets(DatasetModel main, Map<String, DatasetModel> others) {

    public ReportDatasets {
        others = Map.copyOf(others);
    }

    /** Those of a report whose blocks are all over one. */
    public static ReportDatasets of(DatasetModel main) {
        return new ReportDatasets(main, Map.of());
    }

    /**
     * Those of a report, as far as they are there.
     *
     * @param find finds one by its id
     */
    public static ReportDatasets of(Report report, DatasetModel main, Function<String, Optional<DatasetModel>> find) {
        Map<String, DatasetModel> others = new HashMap<>();
        report.datasets().stream()
                .filter(id -> !id.equals(report.dataset()))
                .forEach(id -> find.apply(id).ifPresent(model -> others.put(id, model)));
        return new ReportDatasets(main, others);
    }

    /** All of them, the report's first. */
    public List<DatasetModel> all() {
        return Stream.concat(Stream.of(main), others.values().stream()).toList();
    }

    /**
     * The dataset of a block of the report.
     *
     * @param own the one that the block names; the report's where it names none
     * @return none where it is not there
     */
    public Optional<DatasetModel> of(Report report, Optional<String> own) {
        String id = own.orElse(report.dataset());
        return id.equals(report.dataset()) ? Optional.of(main) : Optional.ofNullable(others.get(id));
    }
}
