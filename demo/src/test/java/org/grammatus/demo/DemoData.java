package org.grammatus.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.rowcache.HeldRows;
import org.grammatus.runs.rowcache.SpillFolder;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Reading;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;

/** Demo databases by size, each made once for all tests, and the starter report run over them. */
public final class DemoData {

    public static final RunContext CONTEXT = new RunContext(ScenarioSize.DEMO.lastDay(), ZoneId.of("UTC"));

    private static final Map<ScenarioSize, Path> FILES = new ConcurrentHashMap<>();

    private DemoData() {}

    public static Path database(ScenarioSize size) {
        return FILES.computeIfAbsent(size, s -> {
            try {
                Path folder = Files.createTempDirectory("grammatus-demo");
                Path file = folder.resolve("demo.db");
                ScenarioDatabase.create(file, s);
                file.toFile().deleteOnExit();
                folder.toFile().deleteOnExit();
                return file;
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        });
    }

    /** Reads the demo's rows, which are held in memory after the first time. */
    public static DatasetReader held() {
        return Held.READER;
    }

    /** Made when it is first asked for. */
    private static final class Held {

        private static final long BUDGET = 1_000_000_000L;
        private static final HeldRows READER = new HeldRows(
                StarReader.over(new SqliteSource(database(ScenarioSize.DEMO))),
                BUDGET,
                new SpillFolder(database(ScenarioSize.DEMO).resolveSibling("held"), 0),
                Clock.systemUTC(),
                CONTEXT.zone());

        static {
            Starters.datasetIds().stream()
                    .flatMap(id -> Starters.dataset(id).stream())
                    .map(DatasetModel::of)
                    .forEach(dataset -> READER.readAhead(Reading.all(dataset)));
        }
    }

    /** The datasets of a report's blocks. */
    public static ReportDatasets datasets(Report report) {
        return ReportDatasets.of(
                report,
                DatasetModel.of(Starters.dataset(report.dataset()).orElseThrow()),
                id -> Starters.dataset(id).map(DatasetModel::of));
    }

    static RunResult run(Path database, String period) {
        RunRequest request = new RunRequest(
                Starters.report("sales-by-fiscal-year").orElseThrow(),
                DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow()),
                new Answers(Map.of("period", period)),
                CONTEXT);
        return new RunEngine(RunLimits.DEFAULT)
                .run(request, StarReader.over(new SqliteSource(database)), p -> {}, () -> false);
    }
}
