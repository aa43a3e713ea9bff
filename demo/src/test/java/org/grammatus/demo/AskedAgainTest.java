package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import org.grammatus.core.Meaning;
import org.grammatus.core.address.FigureAddress;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.GroupAddresses;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.prompt.Answers;
import org.grammatus.runs.AskedAgain;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The source itself, asked in one statement for a figure of a starter report, says the same: at groups of every depth. */
@Meaning(28)
class AskedAgainTest {

    private static final StarReader READER = StarReader.over(new SqliteSource(DemoData.database(ScenarioSize.DEMO)));

    private static RunRequest request(String report, String period) {
        var definition = Starters.report(report).orElseThrow();
        return new RunRequest(
                definition,
                DatasetModel.of(Starters.dataset(definition.dataset()).orElseThrow()),
                new Answers(Map.of("period", period)),
                DemoData.CONTEXT);
    }

    @ParameterizedTest
    @CsvSource({
        "sales-by-fiscal-year, 2025-01-01/2026-06-30, 20",
        "order-counts, 2025-01-01/2026-06-30, 10",
        "apiary-statement, 2026-01-01/2026-02-28, 10"
    })
    void theSourceSaysTheSame(String report, String period, int least) {
        RunRequest request = request(report, period);
        RunResult result = new RunEngine(RunLimits.DEFAULT).run(request, READER, p -> {}, () -> false);
        int places = result.grouped().tree().nodeCount();
        int asked = 0;
        for (int place = 0; place < places; place += 1 + places / 12) {
            GroupAddress group = new GroupAddresses(result.grouped())
                    .of(result.grouped().tree().nodeAt(place));
            for (TotalPlan total : result.grouped().plan().totals()) {
                Optional<AskedAgain> answer =
                        AskedAgain.of(request, result, FigureAddress.of(group, total.id()), READER);
                asked += answer.isPresent() ? 1 : 0;
                answer.ifPresent(again -> assertThat(again.same())
                        .as("%s: %s says %s", total.value(), again.statement(), again.figure())
                        .isTrue());
            }
        }
        assertThat(asked).isGreaterThanOrEqualTo(least);
    }

    @Test
    void whatIsMadeOfSeveralFiguresIsNotAskedFor() {
        RunRequest request = request("order-scorecard", "2026-01-01/2026-06-30");
        RunResult result = new RunEngine(RunLimits.DEFAULT).run(request, READER, p -> {}, () -> false);
        assertThat(new BandTexts(result.grouped()).total(0, 0)).isNotEmpty();
        GroupAddress all = new GroupAddresses(result.grouped()).of(GroupTree.ROOT);
        for (TotalPlan total : result.grouped().plan().totals()) {
            if (total.text().contains("/")) {
                assertThat(AskedAgain.of(request, result, FigureAddress.of(all, total.id()), READER))
                        .isEmpty();
            }
        }
        assertThat(AskedAgain.of(request, result, FigureAddress.of(all, "no-such-total"), READER))
                .isEmpty();
        assertThat(AskedAgain.of(request, result, FigureAddress.parse("nowhere#t-net"), READER))
                .isEmpty();
    }
}
