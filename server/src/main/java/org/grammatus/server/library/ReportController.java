package org.grammatus.server.library;

import com.ibm.icu.util.ULocale;
import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.dataset.FiscalPeriods;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.CompleteDays;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.runs.profile.DayValues;
import org.grammatus.runs.profile.FieldValues;
import org.grammatus.runs.profile.PromptChoices;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.account.RowAccess;
import org.grammatus.server.dataset.Datasets;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.run.RunRecords;
import org.grammatus.server.web.TakesTurn;
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
    private final ReportCheck check;
    private final Datasets datasets;
    private final Accounts accounts;
    private final RunRecords runs;
    private final BusinessDate businessDate;
    private final RowAccess rows;

    ReportController(
            Reports reports,
            ReportCheck check,
            Datasets datasets,
            Accounts accounts,
            RunRecords runs,
            BusinessDate businessDate,
            RowAccess rows) {
        this.reports = reports;
        this.check = check;
        this.datasets = datasets;
        this.accounts = accounts;
        this.runs = runs;
        this.businessDate = businessDate;
        this.rows = rows;
    }

    /**
     * A line of the library.
     *
     * @param owner its author's name; none for a starter report
     * @param mine whether this person is its author
     * @param editable whether this person may save changes to it
     * @param drafted whether this person has changes to it that are not saved
     * @param fields names of its levels and columns, to be found by
     * @param updatedAt milliseconds since 1970-01-01 UTC; so is when this person last ran it
     */
    record ReportLine(
            String id,
            String title,
            Optional<String> description,
            String folder,
            Optional<String> owner,
            boolean mine,
            boolean offered,
            boolean editable,
            boolean drafted,
            String fields,
            long updatedAt,
            Optional<Long> lastRunAt) {

        static ReportLine of(Reports.Entry entry, Optional<Long> lastRunAt) {
            return new ReportLine(
                    entry.id(),
                    entry.title(),
                    entry.description(),
                    entry.folder(),
                    entry.owner(),
                    entry.mine(),
                    entry.offered(),
                    entry.editable(),
                    entry.drafted(),
                    entry.fields(),
                    entry.updatedAt(),
                    lastRunAt);
        }
    }

    /** A report to be run. */
    record ReportView(
            String id,
            String title,
            Optional<String> description,
            String dataset,
            String datasetLabel,
            boolean asksFirst,
            List<String> levels,
            List<PromptView> prompts,
            List<FiscalView> fiscalPeriods) {}

    /**
     * A fiscal year or quarter by name.
     *
     * @param days as an answer is written
     */
    record FiscalView(String label, String days) {}

    /** Answers by prompt name, as written. */
    record AnswersBody(Map<String, String> answers) {}

    @GetMapping
    @Operation(operationId = "reports", summary = "The reports this person may run, by title")
    List<ReportLine> list(Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        Map<String, Long> lastRuns = runs.lastRuns(account);
        return reports.visibleTo(account).stream()
                .map(entry -> ReportLine.of(entry, Optional.ofNullable(lastRuns.get(entry.id()))))
                .toList();
    }

    @GetMapping("/{id}")
    @Operation(operationId = "report", summary = "A report and what it asks")
    ReportView one(@PathVariable("id") String id, Principal principal) {
        Report report = definition(id, principal);
        ReportDatasets of = datasets.of(report);
        // What is wrong with an answer that is begun with, such as one of the person's own, is told at its prompt.
        Problems problems = new Problems();
        List<ResolvedPrompt> resolved = found(Answers.UNASKED, report, of, principal)
                .resolve(report.prompts(), businessDate.of(report), of, locale(report), problems);
        return new ReportView(
                report.id(),
                report.title(),
                report.description(),
                report.dataset(),
                of.main().label(),
                report.asksFirst().orElse(false),
                report.blocks().stream()
                        .filter(TableBlock.class::isInstance)
                        .map(TableBlock.class::cast)
                        .filter(table -> !table.isOff())
                        .flatMap(table -> table.levels().stream())
                        .map(ReportLevel::name)
                        .toList(),
                PromptView.of(report, resolved, of.main(), businessDate.of(report), problems.found()),
                FiscalPeriods.around(
                                businessDate.of(report).businessDate(),
                                of.main().calendar(),
                                locale(report))
                        .stream()
                        .map(period ->
                                new FiscalView(period.label(), period.days().toString()))
                        .toList());
    }

    @TakesTurn
    @PostMapping("/{id}/answers")
    @Operation(operationId = "resolveAnswers", summary = "Says what answers stand for, and what is wrong with each")
    List<AnswerView> resolve(@PathVariable("id") String id, @RequestBody AnswersBody body, Principal principal) {
        Report report = definition(id, principal);
        ReportDatasets of = datasets.of(report);
        Problems problems = new Problems();
        List<ResolvedPrompt> resolved = found(new Answers(body.answers()), report, of, principal)
                .resolve(report.prompts(), businessDate.of(report), of, locale(report), problems);
        return resolved.stream()
                .map(prompt -> AnswerView.of(
                        prompt,
                        report,
                        problems.found(),
                        CompleteDays.beyond(prompt, report, of.main(), businessDate.of(report))))
                .toList();
    }

    /**
     * What is looked for among the choices of a prompt.
     *
     * @param find what they must contain; none for all
     * @param only which of these alone are wanted, so that it is known whether they can still be chosen; none for all
     * @param answers to the prompts above, which narrow the choices
     */
    record ChoicesBody(
            String prompt, Optional<String> find, Optional<Set<String>> only, Optional<Map<String, String>> answers) {}

    @TakesTurn
    @PostMapping("/{id}/choices")
    @Operation(operationId = "choices", summary = "What can be chosen at a prompt, given the answers above")
    List<FieldValues.Value> choices(@PathVariable("id") String id, @RequestBody ChoicesBody body, Principal principal) {
        Report report = definition(id, principal);
        ReportDatasets of = datasets.of(report);
        Answers answers = found(new Answers(body.answers.orElse(Map.of())), report, of, principal);
        return new PromptChoices(rows.of(principal), report, of, businessDate.of(report))
                .offeredAt(body.prompt, answers, body.find.orElse(""), body.only)
                .orElseThrow(() -> new NotFoundException("The report asks no choice called \"" + body.prompt + "\""));
    }

    private Answers found(Answers answers, Report report, ReportDatasets of, Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        Answers all = answers.orOfPerson(
                report.prompts(), runs.lastAnswers(report.id(), account), accounts.attributes(account));
        return DayValues.found(all, report, of, rows.of(principal), businessDate.of(report));
    }

    @GetMapping(path = "/{id}/definition", produces = MediaType.APPLICATION_JSON_VALUE)
    @Operation(operationId = "definition", summary = "A report's definition document; authors only")
    String definitionDocument(@PathVariable("id") String id, Principal principal) {
        return Definitions.write(definition(id, principal));
    }

    @TakesTurn
    @PostMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addReport", summary = "Adds a report from its definition document; authors only")
    AddedView add(@RequestBody String document, Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        Report report = reports.add(check.read(document), account);
        return new AddedView(report.id(), report.title());
    }

    /** A report that is there now. */
    record AddedView(String id, String title) {}

    private Report definition(String id, Principal principal) {
        return reports.definition(id, accounts.find(principal.getName()).orElseThrow());
    }

    private static ULocale locale(Report report) {
        return ULocale.forLanguageTag(report.locale());
    }
}
