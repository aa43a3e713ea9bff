package org.grammatus.server.library;

import com.ibm.icu.util.ULocale;
import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Definitions;
import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.run.RunRecords;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The library: what can be run, and what each report asks. */
@RestController
@RequestMapping("/api/reports")
class ReportController {

    private final Reports reports;
    private final Datasets datasets;
    private final Accounts accounts;
    private final RunRecords runs;
    private final BusinessDate businessDate;

    ReportController(
            Reports reports, Datasets datasets, Accounts accounts, RunRecords runs, BusinessDate businessDate) {
        this.reports = reports;
        this.datasets = datasets;
        this.accounts = accounts;
        this.runs = runs;
        this.businessDate = businessDate;
    }

    /**
     * A line of the library.
     *
     * @param owner its author's name; none for a starter report
     * @param lastRunAt when this person last ran it, milliseconds since 1970-01-01 UTC
     */
    record ReportLine(
            String id, String title, Optional<String> description, Optional<String> owner, Optional<Long> lastRunAt) {}

    /** A report to be run. */
    record ReportView(
            String id,
            String title,
            Optional<String> description,
            String datasetLabel,
            List<String> levels,
            List<PromptView> prompts) {}

    /**
     * A prompt with the answer it has when nobody answers.
     *
     * @param asked the default as written; empty text for none
     */
    record PromptView(
            String name, String label, Optional<String> help, boolean required, String asked, AnswerView answer) {}

    /**
     * What an answer stands for.
     *
     * @param resolved ISO 8601 interval, {@code ..} for an open end
     * @param words the same with month names
     */
    record AnswerView(String name, String resolved, String words) {}

    /** Answers by prompt name, as written. */
    record AnswersBody(Map<String, String> answers) {}

    @GetMapping
    @Operation(operationId = "reports", summary = "The reports this person may run, by title")
    List<ReportLine> list(Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        Map<String, Long> lastRuns = runs.lastRuns(account);
        return reports.visibleTo(account).stream()
                .map(entry -> new ReportLine(
                        entry.id(),
                        entry.title(),
                        entry.description(),
                        entry.owner(),
                        Optional.ofNullable(lastRuns.get(entry.id()))))
                .toList();
    }

    @GetMapping("/{id}")
    @Operation(operationId = "report", summary = "A report and what it asks")
    ReportView one(@PathVariable("id") String id, Principal principal) {
        Report report = definition(id, principal);
        DatasetModel dataset = datasets.find(report.dataset()).orElseThrow();
        Map<String, ResolvedPrompt> resolved = Answers.NONE.resolve(asked(report), businessDate.now(), dataset).stream()
                .collect(Collectors.toMap(p -> p.prompt().name(), Function.identity()));
        return new ReportView(
                report.id(),
                report.title(),
                report.description(),
                dataset.definition().label(),
                report.blocks().getFirst().levels().stream()
                        .map(Report.Level::name)
                        .toList(),
                report.prompts().stream()
                        .map(prompt -> new PromptView(
                                prompt.name(),
                                prompt.label(),
                                prompt.help(),
                                prompt.required().orElse(false),
                                prompt.defaultAnswer().orElse(""),
                                answer(resolved.get(prompt.name()), report)))
                        .toList());
    }

    /** What is asked, with nothing required yet: the person has not been asked. */
    private static List<Report.Prompt> asked(Report report) {
        return report.prompts().stream()
                .map(p -> new Report.Prompt(
                        p.id(),
                        p.name(),
                        p.type(),
                        p.label(),
                        p.help(),
                        Optional.empty(),
                        p.field(),
                        p.defaultAnswer()))
                .toList();
    }

    @PostMapping("/{id}/answers")
    @Operation(operationId = "resolveAnswers", summary = "Checks answers and says what they stand for")
    List<AnswerView> resolve(@PathVariable("id") String id, @RequestBody AnswersBody body, Principal principal) {
        Report report = definition(id, principal);
        DatasetModel dataset = datasets.find(report.dataset()).orElseThrow();
        return new Answers(body.answers())
                .resolve(report.prompts(), businessDate.now(), dataset).stream()
                        .map(prompt -> answer(prompt, report))
                        .toList();
    }

    @GetMapping(path = "/{id}/definition", produces = MediaType.APPLICATION_JSON_VALUE)
    @Operation(operationId = "definition", summary = "A report's definition document; authors only")
    String definitionDocument(@PathVariable("id") String id, Principal principal) {
        return Definitions.write(definition(id, principal));
    }

    @PostMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addReport", summary = "Adds a report from its definition document; authors only")
    ReportLine add(@RequestBody String document, Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        Report report = reports.add(document, account);
        return new ReportLine(
                report.id(),
                report.title(),
                report.description(),
                Optional.of(account.displayName()),
                Optional.empty());
    }

    private Report definition(String id, Principal principal) {
        return reports.definition(id, accounts.find(principal.getName()).orElseThrow());
    }

    private static AnswerView answer(ResolvedPrompt prompt, Report report) {
        return new AnswerView(
                prompt.prompt().name(), prompt.resolved(), prompt.inWords(ULocale.forLanguageTag(report.locale())));
    }
}
