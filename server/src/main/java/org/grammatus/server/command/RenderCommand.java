package org.grammatus.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Definitions;
import org.grammatus.core.definition.Report;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.demo.ScenarioDatabase;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.demo.Starters;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.ReportFile;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.SqliteSource;
import org.grammatus.sources.StarReader;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Renders a report into a file, without a server. */
@Command(
        name = "render",
        mixinStandardHelpOptions = true,
        description = "Renders a report into a file, without a server.")
final class RenderCommand implements Callable<Integer> {

    @Parameters(paramLabel = "REPORT", description = "A definition file, or a starter report's name.")
    private String report;

    @Option(
            names = "--answer",
            paramLabel = "PROMPT=ANSWER",
            description =
                    "An answer, such as period=2026-01-01/2026-03-31 or period='previous month'. May be repeated.")
    private Map<String, String> answers = new LinkedHashMap<>();

    @Option(
            names = "--format",
            paramLabel = "FORMAT",
            defaultValue = "pdf",
            description = "pdf or json; ${DEFAULT-VALUE} unless said.")
    private String format;

    @Option(
            names = {"-o", "--output"},
            required = true,
            paramLabel = "FILE",
            description = "The file to write. It is replaced once the new one is whole.")
    private Path output;

    @Option(names = "--database", paramLabel = "FILE", description = "A SQLite database of the demo's shape.")
    private Optional<Path> database = Optional.empty();

    @Option(names = "--dataset", paramLabel = "FILE", description = "A dataset definition, instead of the starter one.")
    private Optional<Path> dataset = Optional.empty();

    @Option(
            names = "--business-date",
            paramLabel = "DATE",
            description = "The day that counts as today; the database's own last day unless said.")
    private Optional<LocalDate> businessDate = Optional.empty();

    @Option(names = "--data-dir", paramLabel = "FOLDER", defaultValue = "data", description = DemoCommand.DATA_DIR)
    private Path dataDir;

    @CommandLine.Mixin
    private ZoneOption zone = new ZoneOption();

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() {
        Format chosen = Format.of(format)
                .orElseThrow(() -> new CommandFailure("Unknown format \"" + format + "\", expected one of "
                        + String.join(", ", Format.words()) + Suggestion.inWords(format, Format.words())));
        Report definition = definition();
        DatasetModel model = DatasetModel.of(dataset(definition.dataset()));
        Path folder = Optional.ofNullable(output.toAbsolutePath().getParent()).orElse(output);
        if (!Files.isDirectory(folder) || Files.isDirectory(output)) {
            throw new CommandFailure("There is no folder " + folder + " to write " + output + " into");
        }
        Path source = database.orElseGet(this::demoDatabase);
        ZoneId where = definition.zone().flatMap(RunContext::zone).orElseGet(zone::zone);
        LocalDate today =
                businessDate.or(() -> ScenarioDatabase.businessDate(source)).orElseGet(() -> LocalDate.now(where));
        RunContext context = new RunContext(today, where);
        RunRequest request = new RunRequest(definition, model, new Answers(answers), context);
        RunResult result = new RunEngine(RunLimits.DEFAULT)
                .run(request, StarReader.over(new SqliteSource(source)), progress -> {}, () -> false);
        result.notices().forEach(notice -> spec.commandLine().getErr().println("Notice: " + notice));
        try {
            ReportFile.write(result, chosen.writer(), output, WriteProgress.SILENT);
        } catch (IOException e) {
            throw new CommandFailure("The file " + output + " could not be written: " + e.getMessage()
                    + ". Nothing was left there half-written");
        }
        return CommandLine.ExitCode.OK;
    }

    private Report definition() {
        Optional<Report> starter = Starters.report(report);
        if (starter.isPresent()) {
            return starter.get();
        }
        Path file = Path.of(report);
        if (!Files.exists(file)) {
            throw new CommandFailure("There is no file \"" + report + "\" and no starter report of that name; starter"
                    + " reports: " + String.join(", ", Starters.reportIds())
                    + Suggestion.inWords(report, Starters.reportIds()));
        }
        return Definitions.readReport(text(file));
    }

    private Dataset dataset(String id) {
        if (dataset.isPresent()) {
            return Definitions.readDataset(text(dataset.get()));
        }
        return Starters.dataset(id)
                .orElseThrow(() -> new CommandFailure("/dataset: unknown dataset \"" + id + "\", expected one of "
                        + String.join(", ", Starters.datasetIds()) + Suggestion.inWords(id, Starters.datasetIds())
                        + "; or give its definition with --dataset"));
    }

    private static String text(Path file) {
        try {
            if (Files.size(file) > Definitions.MOST_CHARACTERS) {
                throw new CommandFailure(file + " is larger than a definition may be");
            }
            return Files.readString(file);
        } catch (IOException e) {
            throw new CommandFailure(file + " could not be read: it is missing, locked, or no text in UTF-8");
        }
    }

    private Path demoDatabase() {
        Path file = DemoCommand.database(dataDir);
        if (!Files.exists(file)) {
            spec.commandLine().getErr().println("Making the demo data in " + file);
            ScenarioDatabase.create(file, ScenarioSize.DEMO);
        }
        return file;
    }
}
