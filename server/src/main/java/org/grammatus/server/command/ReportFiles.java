package org.grammatus.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.BuiltOn;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.demo.Starters;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The report that a command is about, and its datasets: from files, or those that come with the product. */
final class ReportFiles {

    @Parameters(index = "0", paramLabel = "REPORT", description = "A definition file, or a starter report's name.")
    private String report;

    @Option(
            names = "--dataset",
            paramLabel = "FILE",
            description = "The report's dataset, instead of a starter one; repeated for those that it is built on.")
    private List<Path> datasets = new ArrayList<>();

    /** The report to be edited, whatever is wrong with its values. */
    Report draft() {
        return Starters.report(report).orElseGet(() -> Definitions.readDraft(text(file())));
    }

    private Path file() {
        Path file = Path.of(report);
        if (!Files.exists(file)) {
            throw new CommandFailure("There is no file \"" + report + "\" and no starter report of that name; starter"
                    + " reports: " + String.join(", ", Starters.reportIds())
                    + Suggestion.inWords(report, Starters.reportIds()));
        }
        return file;
    }

    /** The report with all that is wrong with it. */
    Checked<Report> definition() {
        Optional<Report> starter = Starters.report(report);
        if (starter.isPresent()) {
            return Checked.sound(starter.get());
        }
        return Definitions.checkReport(text(file()));
    }

    /** The report's dataset with all that it is built on, from the files that were given or the starters. */
    ReportDatasets datasets(Checked<Report> checked) {
        Map<String, Dataset> given = new LinkedHashMap<>();
        for (Path file : datasets) {
            Dataset read = Definitions.readDataset(text(file));
            given.put(read.id(), read);
        }
        String id = checked.document().map(Report::dataset).orElse("");
        Function<String, Optional<Dataset>> find =
                name -> Optional.ofNullable(given.get(name)).or(() -> Starters.dataset(name));
        if (find.apply(id).isEmpty()
                || (!given.isEmpty()
                        && checked.document().stream()
                                .flatMap(report -> ReportDatasets.namedBy(report).stream())
                                .noneMatch(used -> isUsed(used, given, find)))) {
            List<String> known = new ArrayList<>(given.keySet());
            known.addAll(Starters.datasetIds());
            String fault = given.isEmpty()
                    ? "unknown dataset \"" + id + "\", expected one of " + String.join(", ", known)
                            + Suggestion.inWords(id, known) + "; or give its definition with --dataset"
                    : "the report stands on dataset \"" + id + "\", but --dataset gave "
                            + given.keySet().stream()
                                    .map(name -> "\"" + name + "\"")
                                    .collect(Collectors.joining(", "))
                            + Suggestion.inWords(id, given.keySet());
            throw new ProblemException(
                    checked.with(List.of(Problem.error("/dataset", fault))).faults());
        }
        Function<String, Optional<DatasetModel>> model =
                name -> find.apply(name).map(dataset -> DatasetModel.of(BuiltOn.flattened(dataset, find)));
        return ReportDatasets.of(
                checked.document().orElseThrow(), model.apply(id).orElseThrow(), model);
    }

    /** Whether the report's dataset, or one that it is built on, was given. */
    private static boolean isUsed(String id, Map<String, Dataset> given, Function<String, Optional<Dataset>> find) {
        return given.containsKey(id)
                || find.apply(id).flatMap(Dataset::builtOn).orElse(List.of()).stream()
                        .anyMatch(given::containsKey);
    }

    static String text(Path file) {
        try {
            if (Files.size(file) > Definitions.MOST_CHARACTERS) {
                throw new CommandFailure(file + " is larger than a definition may be");
            }
            return Files.readString(file);
        } catch (IOException e) {
            throw new CommandFailure(file + " could not be read: it is missing, locked, or no text in UTF-8");
        }
    }
}
