package org.grammatus.benchmarks;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.demo.ScenarioDatabase;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.demo.Starters;
import org.grammatus.runs.HeldMemory;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunService;
import org.grammatus.runs.RunState;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;

/** Fifty people who each run a report three times at once, every time with other answers, and nothing held from before. */
final class Readers {

    private static final int PEOPLE = 50;
    private static final int RUNS = 3;
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 20);
    private static final LocalDate FIRST = LocalDate.of(2024, 10, 1);

    private Readers() {}

    /** A run that is over, with how long it took from being asked for to its first page. */
    private record Over(String owner, RunState state, Duration took, boolean hasPage) {}

    static void run() throws Exception {
        Path folder = Files.createTempDirectory("readers");
        Path database = folder.resolve("merrowdale.db");
        ScenarioDatabase.create(database, ScenarioSize.DEMO);
        Report report = Starters.report("sales-by-fiscal-year").orElseThrow();
        DatasetModel dataset =
                DatasetModel.of(Starters.dataset(report.dataset()).orElseThrow());
        DatasetReader reader = StarReader.over(new SqliteSource(database));
        ConcurrentLinkedQueue<Over> over = new ConcurrentLinkedQueue<>();
        CountDownLatch left = new CountDownLatch(PEOPLE * RUNS);
        long started = System.nanoTime();
        try (RunService service = new RunService(
                RunLimits.DEFAULT, Runtime.getRuntime().maxMemory() / 2, Clock.systemUTC(), HeldMemory.NONE)) {
            for (int i = 0; i < PEOPLE * RUNS; i++) {
                String owner = "reader-" + i % PEOPLE;
                LocalDate from = FIRST.plusDays(i);
                Answers answers = new Answers(Map.of("period", from + "/" + from.plusMonths(9)));
                RunRequest request = new RunRequest(report, dataset, answers, new RunContext(TODAY, RunContext.UTC));
                long asked = System.nanoTime();
                service.start(service.prepare(request, owner), reader, run -> {
                    boolean hasPage = hasPage(run);
                    over.add(new Over(
                            owner, run.progress().state(), Duration.ofNanos(System.nanoTime() - asked), hasPage));
                    left.countDown();
                });
            }
            left.await();
        } finally {
            Files.delete(database);
            Files.delete(folder);
        }
        print(List.copyOf(over), Duration.ofNanos(System.nanoTime() - started));
    }

    /** Its first page is made, as a reader's browser asks for it. */
    private static boolean hasPage(Run run) {
        return run.result()
                .map(result -> !result.pages().page(1).cells().isEmpty())
                .orElse(false);
    }

    private static void print(List<Over> over, Duration whole) {
        List<Duration> took = over.stream().map(Over::took).sorted().toList();
        long pages = over.stream()
                .filter(run -> run.state() == RunState.DONE && run.hasPage())
                .count();
        System.out.printf(
                "%d people, %d runs each at once, other answers every time, nothing held: %d of %d first pages%n",
                PEOPLE, RUNS, pages, over.size());
        System.out.printf(
                "seconds from asking to the first page: median %.1f, p95 %.1f, slowest %.1f; all in %.1f%n",
                seconds(took.get(took.size() / 2)),
                seconds(took.get((int) Math.ceil(took.size() * 0.95) - 1)),
                seconds(took.getLast()),
                seconds(whole));
    }

    private static double seconds(Duration duration) {
        return duration.toMillis() / 1000.0;
    }
}
