package org.grammatus.demo.same;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.demo.DemoData;
import org.grammatus.demo.Starters;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.rowcache.HeldRows;
import org.grammatus.runs.rowcache.SpillFolder;
import org.grammatus.sources.DatasetReader;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Reports edited over and over on rows that are held have the pages that they have when nothing was there before. */
class EditedRunsTest {

    private static final int EDITS = 40;

    private static final List<UnaryOperator<String>> KINDS = List.of(
            text -> text.replaceFirst("\"title\": \"[^\"]*\"", "\"title\": \"Renamed\""),
            text -> text.replace("\"direction\": \"descending\"", "\"direction\": \"ascending\""),
            text -> text.replaceFirst("\"direction\": \"ascending\"", "\"direction\": \"descending\""),
            text -> text.replace("\"width\": 90", "\"width\": 130"),
            text -> text.replace("\"unit\": \"thousands\", ", ""),
            text -> text.replace("\"label\": \"Quantity\"", "\"label\": \"Pieces\", \"format\": \"0.0\""),
            text -> text.replace("quantity > 30", "quantity > 10"),
            text -> text.replace("depot <> 'Kiln Yard'", "depot <> 'Alder Quay'"),
            text -> text.replace("\"orientation\": \"portrait\"", "\"orientation\": \"landscape\""),
            text -> text.replace("SUM(freight)", "MAX(freight)"));

    @TempDir
    Path folder;

    private RunResult run(
            RunEngine engine, DatasetReader reader, String text, ReaderView view, BooleanSupplier cancelled) {
        RunContext context = DemoData.CONTEXT;
        DatasetModel dataset =
                DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow());
        RunRequest request =
                new RunRequest(Definitions.readReport(text), dataset, new Answers(Map.of()), context, view);
        return engine.run(request, reader, progress -> {}, cancelled);
    }

    private static String pages(RunResult result) {
        return result.notices()
                + IntStream.rangeClosed(1, Math.min(6, result.pageCount()))
                        .mapToObj(number -> result.pages().page(number).toString())
                        .reduce("", String::concat);
    }

    @ParameterizedTest
    @ValueSource(ints = {3, 14, 15, 92, 65})
    void editsAndCancelsGiveThePagesOfColdRuns(int seed) {
        Random random = new Random(seed);
        DatasetReader held = new HeldRows(
                DemoData.held(),
                HeldRows.defaultBudget(),
                new SpillFolder(folder, 0),
                Clock.systemUTC(),
                RunContext.UTC);
        RunEngine warm = new RunEngine(RunLimits.DEFAULT);
        List<RunResult> shown = new ArrayList<>();
        String text = "";
        ReaderView readers = ReaderView.PLAIN;
        int compared = 0;
        for (int edit = 0; edit < EDITS; edit++) {
            if (text.isEmpty() || random.nextInt(8) == 0) {
                RandomReport report = new RandomReport(random.nextInt(500));
                text = report.text();
                readers = report.view();
            } else {
                text = KINDS.get(random.nextInt(KINDS.size())).apply(text);
            }
            ReaderView view = random.nextBoolean() ? readers : ReaderView.PLAIN;
            String edited = text;
            if (random.nextInt(4) == 0) {
                AtomicInteger left = new AtomicInteger(random.nextInt(6));
                try {
                    shown.add(run(warm, held, edited, view, () -> left.getAndDecrement() <= 0));
                } catch (CancellationException | ProblemException e) {
                    // Given up, or refused as the cold run below would be.
                }
                continue;
            }
            try {
                RunResult cold = run(new RunEngine(RunLimits.DEFAULT), held, edited, view, () -> false);
                RunResult again = run(warm, held, edited, view, () -> false);
                shown.add(again);
                assertThat(pages(again)).isEqualTo(pages(cold));
                compared++;
            } catch (ProblemException e) {
                assertThatThrownBy(() -> run(warm, held, edited, view, () -> false))
                        .hasMessage(e.getMessage());
            }
        }
        assertThat(compared).isGreaterThan(EDITS / 4);
    }
}
