package org.grammatus.demo.same;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.prompt.Answers;
import org.grammatus.demo.DemoData;
import org.grammatus.demo.Starters;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.DatasetReader;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The result as JSON has what is printed and no more: the mark of the grand total, and no groups inside those that are folded. */
class JsonResultTest {

    private static final DatasetReader READER = DemoData.held();
    private static final String ABOVE = """
            {"id": "h-much", "label": "Much", "when": "SUM(net_amount) > 0", "look": "attention",
             "reach": {"of": "totals", "level": "report"}}""";

    private static JsonNode result(ReaderView view) throws Exception {
        Report report = Definitions.readReport(Starters.reportText("sales-by-fiscal-year")
                .replaceFirst("\"highlights\": ?\\[\\]", "\"highlights\": [" + ABOVE + "]"));
        RunRequest request = new RunRequest(
                report,
                DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow()),
                Answers.NONE,
                DemoData.CONTEXT,
                view);
        RunResult run = new RunEngine(RunLimits.DEFAULT).run(request, READER, progress -> {}, () -> false);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Format.JSON.writer().write(run, out, WriteProgress.SILENT);
        return JsonMapper.shared().readTree(out.toByteArray());
    }

    @Test
    void theGrandTotalHasItsMark() throws Exception {
        assertThat(result(ReaderView.PLAIN).at("/result/mark").asString()).isEqualTo("h-much");
    }

    @Test
    void aFoldedReportIsFolded() throws Exception {
        JsonNode plain = result(ReaderView.PLAIN);
        JsonNode folded = result(new ReaderView(List.of(), List.of(), List.of(), List.of(), Optional.of("region")));
        assertThat(folded.at("/levels").valueStream().map(JsonNode::asString)).containsExactly("fiscal-year", "region");
        assertThat(folded.at("/result/groups/0/groups/0/label")).isEqualTo(plain.at("/result/groups/0/groups/0/label"));
        assertThat(folded.at("/result/groups/0/groups/0/totals"))
                .isEqualTo(plain.at("/result/groups/0/groups/0/totals"));
        assertThat(plain.at("/result/groups/0/groups/0/groups").size()).isPositive();
        assertThat(folded.findParents("rows")).isEmpty();
        assertThat(folded.at("/result/groups/0/groups/0").has("groups")).isFalse();
        assertThat(folded.at("/result/groups").size())
                .isEqualTo(plain.at("/result/groups").size());
    }
}
