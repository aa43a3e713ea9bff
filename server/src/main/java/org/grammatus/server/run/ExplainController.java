package org.grammatus.server.run;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.band.Printed;
import org.grammatus.core.explain.RowsBehind;
import org.grammatus.core.explain.WhyFigure;
import org.grammatus.core.explain.WhyOrder;
import org.grammatus.core.group.GroupTree;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.table.Scalars;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.RunService;
import org.grammatus.runs.TextSearch;
import org.grammatus.server.problem.NotFoundException;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Why a run's figures and order are what they are, the rows behind them, and where a text stands. */
@RestController
@RequestMapping("/api/runs/{id}")
class ExplainController {

    private final RunService runs;

    ExplainController(RunService runs) {
        this.runs = runs;
    }

    @GetMapping("/figure")
    @Operation(operationId = "whyFigure", summary = "Why a total of a group is what it is")
    WhyFigure figure(
            @PathVariable("id") String id,
            @RequestParam("place") int place,
            @RequestParam("total") String total,
            Principal principal) {
        Grouped grouped = grouped(id, principal);
        int node = node(grouped, place);
        List<Plan.Total> totals = grouped.plan().totals();
        for (int i = 0; i < totals.size(); i++) {
            if (totals.get(i).definition().id().equals(total)) {
                return WhyFigure.of(grouped, new Printed(grouped), i, node);
            }
        }
        throw new NotFoundException("The run has no total \"" + total + "\"");
    }

    @GetMapping("/order")
    @Operation(operationId = "whyOrder", summary = "Why a group stands where it stands, with the values compared")
    WhyOrder order(@PathVariable("id") String id, @RequestParam("place") int place, Principal principal) {
        Grouped grouped = grouped(id, principal);
        int node = node(grouped, place);
        if (node == GroupTree.ROOT) {
            throw new NotFoundException("The whole report stands in no order");
        }
        return WhyOrder.of(grouped, new Printed(grouped), node);
    }

    @GetMapping("/rows")
    @Operation(operationId = "rowsBehind", summary = "The rows behind a group's figures")
    RowsBehind rows(
            @PathVariable("id") String id,
            @RequestParam("place") int place,
            @RequestParam(name = "offset", defaultValue = "0") int offset,
            @RequestParam(name = "limit", defaultValue = "100") int limit,
            Principal principal) {
        Grouped grouped = grouped(id, principal);
        return RowsBehind.of(grouped, new Printed(grouped), node(grouped, place), offset, limit);
    }

    /**
     * A group on the way to another.
     *
     * @param key as addresses write it; none for the group of blank keys
     */
    record PathStep(String level, String name, String label, Optional<String> key) {}

    @GetMapping("/path")
    @Operation(operationId = "groupPath", summary = "The groups that a group lies in, outermost first, and itself")
    List<PathStep> path(@PathVariable("id") String id, @RequestParam("place") int place, Principal principal) {
        Grouped grouped = grouped(id, principal);
        Printed printed = new Printed(grouped);
        List<PathStep> path = new ArrayList<>();
        for (int n = node(grouped, place);
                n != GroupTree.ROOT;
                n = grouped.tree().parentOf(n)) {
            int depth = grouped.tree().depthOf(n);
            Plan.Level level = grouped.plan().levels().get(depth - 1);
            Scalar key = Scalars.at(grouped.keys().get(depth).orElseThrow(), grouped.within(n));
            path.addFirst(new PathStep(
                    level.definition().id(),
                    level.definition().name(),
                    printed.label(n),
                    key instanceof Scalar.Null ? Optional.empty() : Optional.of(ScalarText.write(key))));
        }
        return path;
    }

    @GetMapping("/find")
    @Operation(operationId = "find", summary = "Where a text stands in a run, ignoring case and accents")
    List<TextSearch.Hit> find(@PathVariable("id") String id, @RequestParam("text") String text, Principal principal) {
        return TextSearch.find(result(id, principal), text);
    }

    private RunResult result(String id, Principal principal) {
        return OwnRuns.result(OwnRuns.require(runs, id, principal));
    }

    private Grouped grouped(String id, Principal principal) {
        return result(id, principal).grouped();
    }

    private static int node(Grouped grouped, int place) {
        if (place < 0 || place >= grouped.tree().nodeCount()) {
            throw new NotFoundException("The run has no group at place " + place);
        }
        return grouped.tree().nodeAt(place);
    }
}
