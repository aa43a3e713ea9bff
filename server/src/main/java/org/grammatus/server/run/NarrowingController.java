package org.grammatus.server.run;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.planner.Narrowing;
import org.grammatus.core.plan.planner.PrintedField;
import org.grammatus.runs.BlockResult;
import org.grammatus.runs.NarrowedValues;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.RunService;
import org.grammatus.runs.profile.FieldValues;
import org.grammatus.server.account.RowAccess;
import org.grammatus.server.library.AnswerView;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.web.TakesTurn;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What the reader of a run may narrow it by. */
@RestController
@RequestMapping("/api/runs/{id}/fields")
class NarrowingController {

    private final RunService runs;
    private final RowAccess rows;

    NarrowingController(RunService runs, RowAccess rows) {
        this.runs = runs;
        this.rows = rows;
    }

    /**
     * A field that a reader may narrow by.
     *
     * @param block id of the first block that prints it
     * @param title what the block is called; none where it has no title
     * @param kind what is answered: values, two ends of a number, or days
     * @param parts ids of the columns and levels that print it
     * @param beside whether its author set it beside the report
     * @param first whether no block before it has the field, so that it stands for the whole report
     */
    record NarrowableField(
            String block,
            Optional<String> title,
            String field,
            String label,
            PromptType kind,
            List<String> parts,
            boolean beside,
            boolean first) {}

    /** What a run is narrowed to in a field, in its block alone or the whole report. */
    record NarrowedField(Optional<String> block, String field, AnswerView answer) {}

    /** What a run may be narrowed by, and what it is. */
    record Narrowings(List<NarrowableField> fields, List<NarrowedField> narrowed) {}

    @TakesTurn
    @GetMapping
    @Operation(
            operationId = "narrowableFields",
            summary = "The fields by whose values a run may be narrowed, and what it is narrowed to")
    Narrowings fields(@PathVariable("id") String id, Principal principal) {
        Run run = OwnRuns.require(runs, id, principal);
        List<TablePlan> tables =
                OwnRuns.result(run).results().stream().map(BlockResult::plan).toList();
        return new Narrowings(
                fields(tables),
                run.request().view().narrow().stream()
                        .map(narrow -> new NarrowedField(
                                narrow.block(),
                                narrow.field(),
                                AnswerView.of(
                                        Narrowing.wanted(narrow, narrow.of(tables)),
                                        run.request().report(),
                                        List.of())))
                        .toList());
    }

    private static List<NarrowableField> fields(List<TablePlan> tables) {
        List<NarrowableField> fields = new ArrayList<>();
        for (TablePlan plan : tables) {
            for (PrintedField field : PrintedField.of(plan)) {
                fields.add(new NarrowableField(
                        plan.id(),
                        plan.title(),
                        field.id(),
                        field.label(),
                        field.kind(),
                        field.parts(),
                        field.beside(),
                        fields.stream().noneMatch(before -> before.field().equals(field.id()))));
            }
        }
        return List.copyOf(fields);
    }

    @TakesTurn
    @GetMapping("/values")
    @Operation(
            operationId = "narrowableValues",
            summary = "A field's values among the rows that all but its own narrowing keeps, with their counts")
    List<FieldValues.Value> values(
            @PathVariable("id") String id,
            @RequestParam("block") String block,
            @RequestParam("field") String field,
            @RequestParam(name = "find", defaultValue = "") String find,
            Principal principal) {
        RunResult result = OwnRuns.result(OwnRuns.require(runs, id, principal));
        return new NarrowedValues(result, rows.of(principal))
                .of(block, field, find)
                .orElseThrow(() -> new NotFoundException("The run prints nothing called \"" + field + "\" there"));
    }
}
