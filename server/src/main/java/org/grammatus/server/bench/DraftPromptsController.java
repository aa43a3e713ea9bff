package org.grammatus.server.bench;

import com.ibm.icu.util.ULocale;
import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.runs.profile.DayValues;
import org.grammatus.runs.profile.FieldValues;
import org.grammatus.runs.profile.PromptChoices;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.RowAccess;
import org.grammatus.server.dataset.Datasets;
import org.grammatus.server.library.PromptView;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.web.TakesTurn;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** What a definition that is being edited asks its readers, so that its author can answer as they would. */
@RestController
@RequestMapping("/api/previews")
class DraftPromptsController {

    private final Datasets datasets;
    private final RowAccess rows;
    private final BusinessDate businessDate;

    DraftPromptsController(Datasets datasets, RowAccess rows, BusinessDate businessDate) {
        this.datasets = datasets;
        this.rows = rows;
        this.businessDate = businessDate;
    }

    /** A definition with answers by prompt name, as written. */
    record DraftAnswers(JsonNode definition, Optional<Map<String, String>> answers) {}

    @TakesTurn
    @PostMapping("/prompts")
    @Operation(operationId = "draftPrompts", summary = "What a definition asks, and what answers to it stand for")
    List<PromptView> prompts(@RequestBody DraftAnswers body, Principal principal) {
        Report report = Definitions.readReport(body.definition().toString());
        ReportDatasets of = datasets.of(report);
        RunContext context = businessDate.of(report);
        Problems problems = new Problems();
        Answers answers =
                DayValues.found(new Answers(body.answers().orElse(Map.of())), report, of, rows.of(principal), context);
        return PromptView.of(
                report,
                answers.resolve(report.prompts(), context, of, ULocale.forLanguageTag(report.locale()), problems),
                of.main(),
                context,
                problems.found());
    }

    /**
     * What is looked for among the choices of a prompt.
     *
     * @param find what they must contain; none for all
     * @param only which of these alone are wanted; none for all
     * @param answers to the prompts above, which narrow the choices
     */
    record DraftChoices(
            JsonNode definition,
            String prompt,
            Optional<String> find,
            Optional<Set<String>> only,
            Optional<Map<String, String>> answers) {}

    @TakesTurn
    @PostMapping("/choices")
    @Operation(operationId = "draftChoices", summary = "What can be chosen at a prompt of a definition")
    List<FieldValues.Value> choices(@RequestBody DraftChoices body, Principal principal) {
        Report report = Definitions.readReport(body.definition().toString());
        ReportDatasets of = datasets.of(report);
        RunContext context = businessDate.of(report);
        Answers answers =
                DayValues.found(new Answers(body.answers.orElse(Map.of())), report, of, rows.of(principal), context);
        return new PromptChoices(rows.of(principal), report, of, context)
                .offeredAt(body.prompt, answers, body.find.orElse(""), body.only)
                .orElseThrow(() -> new NotFoundException("The report asks no choice called \"" + body.prompt + "\""));
    }
}
