package org.grammatus.server.run;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.page.ContinuousView;
import org.grammatus.runs.MarkedPlaces;
import org.grammatus.runs.Outline;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.RunService;
import org.grammatus.server.problem.NotFoundException;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a run that is done prints: its pages or one continuous list, its outline and its marks. It is seen by whom the run is seen by. */
@RestController
@RequestMapping("/api/runs/{id}")
class RunPagesController {

    private final RunService runs;

    RunPagesController(RunService runs) {
        this.runs = runs;
    }

    @GetMapping("/pages/{number}")
    @Operation(operationId = "page", summary = "A page of a run that is done")
    PageView page(@PathVariable("id") String id, @PathVariable("number") int number, Principal principal) {
        RunResult result = result(id, principal);
        if (number < 1 || number > result.pages().count()) {
            throw new NotFoundException("There is no page " + number + "; the run has "
                    + result.pages().count());
        }
        return PageView.of(result.pages().page(number));
    }

    /**
     * The report as one continuous list.
     *
     * @param heights of its strips, in hundredths of a point
     * @param headings the column headings, to be kept in sight
     */
    record StripsView(int width, int[] heights, PageView headings) {}

    @GetMapping("/strips")
    @Operation(operationId = "strips", summary = "A run as one continuous list: its strips' heights and its headings")
    StripsView strips(@PathVariable("id") String id, Principal principal) {
        ContinuousView strips = result(id, principal).pages().strips();
        PageView headings = PageView.of(strips.headings());
        return new StripsView(headings.width(), strips.heights(), headings);
    }

    @GetMapping("/strips/{number}")
    @Operation(operationId = "strip", summary = "A strip of the continuous list")
    PageView strip(@PathVariable("id") String id, @PathVariable("number") int number, Principal principal) {
        ContinuousView strips = result(id, principal).pages().strips();
        if (number < 1 || number > strips.count()) {
            throw new NotFoundException("There is no strip " + number + "; the run has " + strips.count());
        }
        return PageView.of(strips.strip(number));
    }

    @GetMapping("/outline")
    @Operation(operationId = "outline", summary = "The headed groups right below a group, with the pages they begin on")
    List<Outline.Entry> outline(
            @PathVariable("id") String id,
            @Parameter(description = "The group's address; none for the whole report")
                    @RequestParam(name = "below", required = false)
                    Optional<String> below,
            Principal principal) {
        Optional<GroupAddress> parent = below.map(text -> Addresses.group("below", text));
        return Outline.below(result(id, principal), parent);
    }

    @GetMapping("/marks")
    @Operation(operationId = "marks", summary = "What a run marks, with counts, and where it stands")
    MarkedPlaces marks(@PathVariable("id") String id, Principal principal) {
        return MarkedPlaces.of(result(id, principal));
    }

    private RunResult result(String id, Principal principal) {
        return OwnRuns.result(OwnRuns.require(runs, id, principal));
    }
}
