package org.grammatus.server.run;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.explain.RowsBehind;
import org.grammatus.core.explain.WhyAbsent;
import org.grammatus.core.explain.WhyFigure;
import org.grammatus.core.explain.WhyOrder;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.export.Cells;
import org.grammatus.export.Format;
import org.grammatus.runs.AskedAgain;
import org.grammatus.runs.Explanations;
import org.grammatus.runs.FileNames;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.RunService;
import org.grammatus.runs.SelectionSummary;
import org.grammatus.runs.TextSearch;
import org.grammatus.server.account.RowAccess;
import org.grammatus.server.file.FileSender;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.web.TakesTurn;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Why a run's figures and order are what they are, the rows behind them, and where a text stands. */
@RestController
@RequestMapping("/api/runs/{id}")
class ExplainController {

    private static final String GROUP =
            "Address of a group: its block and the keys on the way down to it, such as lines/region:Lakeside";

    private static final String FIGURE =
            "Address of a figure: its group's, and the id of the total behind #, such as lines/region:Lakeside#t-net";

    private final RunService runs;
    private final RowAccess rows;
    private final FileSender files;

    ExplainController(RunService runs, RowAccess rows, FileSender files) {
        this.files = files;
        this.runs = runs;
        this.rows = rows;
    }

    @TakesTurn
    @GetMapping("/figure")
    @Operation(operationId = "whyFigure", summary = "Why a total of a group is what it is")
    WhyFigure figure(
            @PathVariable("id") String id,
            @Parameter(description = FIGURE) @RequestParam("figure") String figure,
            Principal principal) {
        return found(explanations(id, principal).figure(Addresses.figure("figure", figure)));
    }

    /**
     * What a figure's source said.
     *
     * @param asked none where the source cannot be asked for this figure in one statement
     */
    record SourceAnswer(Optional<AskedAgain> asked) {}

    @TakesTurn
    @GetMapping("/figure/at-source")
    @Operation(
            operationId = "figureAtSource",
            summary = "What the source itself says a total of a group is, in one plain statement of SQL")
    SourceAnswer atSource(
            @PathVariable("id") String id,
            @Parameter(description = FIGURE) @RequestParam("figure") String figure,
            Principal principal) {
        Run run = OwnRuns.require(runs, id, principal);
        return new SourceAnswer(AskedAgain.of(
                run.request(), OwnRuns.result(run), Addresses.figure("figure", figure), rows.of(principal)));
    }

    @TakesTurn
    @GetMapping("/uncounted")
    @Operation(operationId = "uncounted", summary = "Those of some rows of a group that do not count in a total of it")
    List<Integer> uncounted(
            @PathVariable("id") String id,
            @Parameter(description = FIGURE) @RequestParam("figure") String figure,
            @RequestParam("rows") List<Integer> rows,
            Principal principal) {
        return found(explanations(id, principal).uncounted(Addresses.figure("figure", figure), rows));
    }

    @TakesTurn
    @GetMapping("/order")
    @Operation(operationId = "whyOrder", summary = "Why a group stands where it stands, with the values compared")
    WhyOrder order(
            @PathVariable("id") String id,
            @Parameter(description = GROUP) @RequestParam("group") String group,
            Principal principal) {
        return found(explanations(id, principal).order(Addresses.group("group", group)));
    }

    @TakesTurn
    @GetMapping("/rows")
    @Operation(operationId = "rowsBehind", summary = "The rows behind a group's figures")
    RowsBehind rows(
            @PathVariable("id") String id,
            @Parameter(description = GROUP) @RequestParam("group") String group,
            @RequestParam(name = "offset", defaultValue = "0") int offset,
            @RequestParam(name = "limit", defaultValue = "100") int limit,
            @RequestParam(name = "fields", required = false) Optional<List<String>> fields,
            Principal principal) {
        return found(explanations(id, principal)
                .rows(Addresses.group("group", group), offset, limit, fields, rows.of(principal)));
    }

    @TakesTurn
    @GetMapping("/dropped")
    @Operation(operationId = "droppedRows", summary = "The rows that a condition drops")
    RowsBehind dropped(
            @PathVariable("id") String id,
            @RequestParam("filter") String filter,
            @RequestParam(name = "offset", defaultValue = "0") int offset,
            @RequestParam(name = "limit", defaultValue = "100") int limit,
            @RequestParam(name = "fields", required = false) Optional<List<String>> fields,
            Principal principal) {
        return found(explanations(id, principal).dropped(filter, offset, limit, fields, rows.of(principal)));
    }

    @GetMapping("/dropped/file")
    @Operation(operationId = "droppedFile", summary = "All the rows that a condition drops as CSV")
    void droppedFile(
            @PathVariable("id") String id,
            @RequestParam("filter") String filter,
            @RequestParam(name = "fields", required = false) Optional<List<String>> fields,
            @RequestParam(name = "protect", defaultValue = "true") boolean protect,
            Principal principal,
            @Parameter(hidden = true) HttpServletRequest request,
            @Parameter(hidden = true) HttpServletResponse response)
            throws IOException {
        RunResult result = result(id, principal);
        Explanations.RowsFile dropped = found(new Explanations(result)
                .droppedFile(filter, fields, rows.of(principal), protect ? Cells.PROTECTED : Cells.EXACT));
        send(dropped, FileNames.ofRows(result, "what is dropped", Format.CSV.word()), principal, request, response);
    }

    @TakesTurn
    @GetMapping("/absent")
    @Operation(
            operationId = "whyAbsent",
            summary = "Which conditions drop the rows of a value, such as those of an order")
    WhyAbsent absent(
            @PathVariable("id") String id,
            @RequestParam("block") String block,
            @RequestParam("field") String field,
            @RequestParam("value") String value,
            Principal principal) {
        try {
            return found(explanations(id, principal).absent(block, field, value.trim(), rows.of(principal)));
        } catch (IllegalArgumentException e) {
            throw new ProblemException(Problem.error("/value", e.getMessage()));
        }
    }

    @GetMapping("/rows/file")
    @Operation(operationId = "rowsFile", summary = "All the rows behind a group's figures as CSV")
    void rowsFile(
            @PathVariable("id") String id,
            @Parameter(description = GROUP) @RequestParam("group") String group,
            @RequestParam(name = "fields", required = false) Optional<List<String>> fields,
            @RequestParam(name = "protect", defaultValue = "true") boolean protect,
            Principal principal,
            @Parameter(hidden = true) HttpServletRequest request,
            @Parameter(hidden = true) HttpServletResponse response)
            throws IOException {
        RunResult result = result(id, principal);
        Explanations explanations = new Explanations(result);
        GroupAddress address = Addresses.group("group", group);
        Explanations.RowsFile behind = found(
                explanations.rowsFile(address, fields, rows.of(principal), protect ? Cells.PROTECTED : Cells.EXACT));
        String name = explanations.path(address).orElse(List.of()).stream()
                .map(Explanations.PathStep::label)
                .reduce((a, b) -> a + " " + b)
                .orElse("the whole report");
        send(behind, FileNames.ofRows(result, name, Format.CSV.word()), principal, request, response);
    }

    private void send(
            Explanations.RowsFile rows,
            String name,
            Principal principal,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        files.send(
                principal.getName(),
                new FileSender.Kind(name, Format.CSV.mediaType()),
                (file, wanted) -> {
                    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
                        rows.write(out, wanted);
                    }
                },
                request,
                response);
    }

    @GetMapping("/path")
    @Operation(operationId = "groupPath", summary = "The groups that a group lies in, outermost first, and itself")
    List<Explanations.PathStep> path(
            @PathVariable("id") String id,
            @Parameter(description = GROUP) @RequestParam("group") String group,
            Principal principal) {
        return found(explanations(id, principal).path(Addresses.group("group", group)));
    }

    @TakesTurn
    @GetMapping("/together")
    @Operation(operationId = "figuresTogether", summary = "How many several figures are, their sum and their average")
    SelectionSummary together(
            @PathVariable("id") String id,
            @Parameter(description = FIGURE) @RequestParam("figures") List<String> figures,
            Principal principal) {
        return explanations(id, principal)
                .together(figures.stream()
                        .map(figure -> Addresses.figure("figures", figure))
                        .toList());
    }

    @TakesTurn
    @GetMapping("/find")
    @Operation(operationId = "find", summary = "Where a text stands in a run, ignoring case and accents")
    List<TextSearch.Hit> find(@PathVariable("id") String id, @RequestParam("text") String text, Principal principal) {
        return TextSearch.find(result(id, principal), text);
    }

    private Explanations explanations(String id, Principal principal) {
        return new Explanations(result(id, principal));
    }

    private RunResult result(String id, Principal principal) {
        return OwnRuns.result(OwnRuns.require(runs, id, principal));
    }

    private static <T> T found(Optional<T> explanation) {
        return explanation.orElseThrow(() -> new NotFoundException("The run has nothing at this place"));
    }
}
