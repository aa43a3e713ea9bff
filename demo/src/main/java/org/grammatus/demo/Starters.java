package org.grammatus.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;

/** The datasets and reports that come with the product. */
public final class Starters {

    private static final List<String> REPORTS = List.of(
            "sales-by-fiscal-year",
            "expected-deliveries",
            "order-counts",
            "order-scorecard",
            "order-book",
            "order-overview",
            "sales-and-purchasing",
            "open-orders",
            "large-orders",
            "latest-day",
            "last-days",
            "quiet-apiaries",
            "apiary-statement");
    private static final List<String> DATASETS = List.of("sales-order-lines", "purchase-order-lines", "apiaries");

    private Starters() {}

    public static List<String> reportIds() {
        return REPORTS;
    }

    public static Optional<Report> report(String id) {
        return REPORTS.contains(id) ? Optional.of(Definitions.readReport(reportText(id))) : Optional.empty();
    }

    public static List<String> datasetIds() {
        return DATASETS;
    }

    public static Optional<Dataset> dataset(String id) {
        return DATASETS.contains(id)
                ? Optional.of(Definitions.readDataset(text("datasets/" + id + ".json")))
                : Optional.empty();
    }

    /** A starter report's document. */
    public static String reportText(String id) {
        return text("reports/" + id + ".json");
    }

    /** A starter dataset's document. */
    public static String datasetText(String id) {
        return text("datasets/" + id + ".json");
    }

    private static String text(String path) {
        try (InputStream in = Starters.class.getResourceAsStream(path)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
