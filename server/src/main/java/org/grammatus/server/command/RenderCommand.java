package org.grammatus.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.plan.style.HouseLook;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Days;
import org.grammatus.demo.ScenarioDatabase;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.ReportFile;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.profile.DayValues;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Renders a report into a file, without a server. */
@Command(
        name = "render",
        mixinStandardHelpOptions = true,
        description = "Renders a report into a file, without a server.")
final class RenderCommand implements Callable<Integer> {

    @CommandLine.Mixin
    private ReportFiles files = new ReportFiles();

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
            completionCandidates = FormatWords.class,
            description = "${COMPLETION-CANDIDATES}; ${DEFAULT-VALUE} unless said.")
    private String format;

    @Option(
            names = {"-o", "--output"},
            required = true,
            paramLabel = "FILE",
            description = "The file to write. It is replaced once the new one is whole.")
    private Path output;

    @Option(names = "--database", paramLabel = "FILE", description = "A SQLite database of the demo's shape.")
    private Optional<Path> database = Optional.empty();

    @Option(
            names = "--business-date",
            paramLabel = "DATE",
            description = "The day that counts as today; the database's own last day unless said.")
    private Optional<String> businessDate = Optional.empty();

    @Option(names = "--data-dir", paramLabel = "FOLDER", defaultValue = "data", description = DemoCommand.DATA_DIR)
    private Path dataDir;

    @Option(
            names = "--style",
            paramLabel = "FILE",
            description =
                    "The house style as JSON, or the id of one that comes along: standard, ledger, black-on-white.")
    private Optional<String> style = Optional.empty();

    @CommandLine.Mixin
    private FaceOption face = new FaceOption();

    @CommandLine.Mixin
    private ZoneOption zone = new ZoneOption();

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() {
        Format chosen = Format.of(format)
                .orElseThrow(() -> new CommandFailure("Unknown format \"" + format + "\", expected one of "
                        + String.join(", ", Format.words()) + Suggestion.inWords(format, Format.words())));
        Checked<Report> checked = styled(files.definition());
        Report definition = checked.document().orElseGet(checked::require);
        ReportDatasets found = files.datasets(checked);
        Path folder = Optional.ofNullable(output.toAbsolutePath().getParent()).orElse(output);
        if (!Files.isDirectory(folder) || Files.isDirectory(output)) {
            throw new CommandFailure("There is no folder " + folder + " to write " + output + " into");
        }
        Path source = database.orElseGet(this::demoDatabase);
        ZoneId where = definition.zone().flatMap(RunContext::zone).orElseGet(zone::zone);
        LocalDate today = businessDate
                .map(RenderCommand::day)
                .or(() -> ScenarioDatabase.businessDate(source))
                .orElseGet(() -> LocalDate.now(where));
        RunContext context = new RunContext(today, where);
        // Whatever is wrong with the definition, the answers and what they say of the dataset is told at once.
        HouseLook look = new HouseLook(
                style.map(RenderCommand::style).orElseGet(() -> HouseStyles.shippedFor(definition)), face.faces());
        Planner.plan(checked, found, look, new Answers(answers), context);
        DatasetReader reader = StarReader.over(new SqliteSource(source));
        Answers given = DayValues.found(new Answers(answers), definition, found, reader, context);
        RunResult result = new RunEngine(RunLimits.DEFAULT)
                .compute(new RunRequest(definition, found, look, given, context, ReaderView.PLAIN), reader);
        String ending = chosen.ending(result);
        if (!ending.equals(chosen.word())
                && !output.toString().toLowerCase(Locale.ROOT).endsWith("." + ending)) {
            throw new CommandFailure("The report has " + result.blocks().size() + " blocks, which " + chosen.word()
                    + " has in one archive: name the file ." + ending + ", or choose another format");
        }
        result.notices().forEach(notice -> spec.commandLine().getErr().println("Notice: " + notice));
        try {
            ReportFile.write(result, chosen.writer(), output, WriteProgress.SILENT);
        } catch (IOException e) {
            throw new CommandFailure("The file " + output + " could not be written: " + e.getMessage()
                    + ". Nothing was left there half-written");
        }
        return CommandLine.ExitCode.OK;
    }

    /** The report in the style that is asked for. */
    private Checked<Report> styled(Checked<Report> checked) {
        return style.map(RenderCommand::style)
                .map(look -> checked.with(report -> report.inStyle(look.id())))
                .orElse(checked);
    }

    private static HouseStyle style(String given) {
        Optional<HouseStyle> shipped = HouseStyles.SHIPPED.stream()
                .filter(known -> known.id().equals(given))
                .findFirst();
        if (shipped.isEmpty() && !Files.exists(Path.of(given))) {
            List<String> known =
                    HouseStyles.SHIPPED.stream().map(HouseStyle::id).toList();
            throw new CommandFailure(
                    "There is no file \"" + given + "\" and no house style of that name; expected one of "
                            + String.join(", ", known) + Suggestion.inWords(given, known));
        }
        return shipped.orElseGet(() -> Definitions.readStyle(ReportFiles.text(Path.of(given))));
    }

    private static LocalDate day(String text) {
        try {
            return Days.parse(text);
        } catch (DateTimeException e) {
            throw new CommandFailure("--business-date: "
                    + Days.whyNone(text).orElse("found \"" + text + "\", expected a day such as 2026-01-31"));
        }
    }

    /** What --format can be, for its help. */
    static final class FormatWords implements Iterable<String> {
        @Override
        public Iterator<String> iterator() {
            return Format.words().iterator();
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
