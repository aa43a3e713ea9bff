package org.grammatus.benchmarks;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.core.value.Type;

/** The engine on held rows: the whole way from rows to groups in order, as a run goes it. */
final class OurEngine {

    private final TablePlan plan;
    private final Star star;

    /** With the question that the anchor answers, too. */
    OurEngine(Lines lines) throws IOException {
        this(lines, resource("group-and-order.report.json"));
    }

    /** @param report a definition over the lines */
    OurEngine(Lines lines, String report) throws IOException {
        DatasetModel dataset = DatasetModel.of(Definitions.readDataset(resource("lines.dataset.json")));
        plan = Planner.plan(
                        Definitions.readReport(report),
                        dataset,
                        Answers.NONE,
                        RunContext.on(LocalDate.of(2026, 11, 20)))
                .table();
        star = new Star(
                dataset,
                List.of(new Star.Rows(
                        lines.count(),
                        Map.of(
                                "region", new Column.Texts(lines.regions(), lines.regionNames()),
                                "apiary", new Column.Texts(lines.apiaries(), lines.apiaryCodes()),
                                "order_number", new Column.Texts(lines.orders(), lines.orderNumbers()),
                                "net", new Column.Longs(Type.decimal(2), lines.net())),
                        List.of(),
                        new int[0])));
    }

    /** The rows. */
    Star star() {
        return star;
    }

    TableResult run() {
        Faults faults = new Faults();
        KeptRows all = KeptRows.of(plan, star, faults, () -> false);
        return GroupingStep.group(plan, star, all, faults, () -> false).grouped();
    }

    static String resource(String name) throws IOException {
        try (InputStream in = OurEngine.class.getResourceAsStream(name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
