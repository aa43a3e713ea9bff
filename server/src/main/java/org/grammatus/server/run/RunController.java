package org.grammatus.server.run;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.export.Cells;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter;
import org.grammatus.runs.FileNames;
import org.grammatus.runs.ReportFile;
import org.grammatus.runs.RowsBeforehand;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunProgress;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.RunService;
import org.grammatus.runs.profile.DayValues;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.AccessPolicy;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.account.RowAccess;
import org.grammatus.server.dataset.Datasets;
import org.grammatus.server.file.FileSender;
import org.grammatus.server.library.Reports;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.style.Styles;
import org.grammatus.server.web.TakesTurn;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** A run's addresses. A run is seen by the account that started it, and by nobody else. */
@RestController
@RequestMapping("/api/runs")
class RunController {

    private static final long LONGEST_FOLLOWING_MILLIS = 15 * 60_000L;
    private static final long BETWEEN_EVENTS_NANOS = 100_000_000L;

    private final RunService runs;
    private final RunRecords records;
    private final Reports reports;
    private final Datasets datasets;
    private final Styles styles;
    private final Accounts accounts;
    private final RowAccess rows;
    private final BusinessDate businessDate;
    private final FileSender files;

    RunController(
            RunService runs,
            RunRecords records,
            Reports reports,
            Datasets datasets,
            Styles styles,
            Accounts accounts,
            RowAccess rows,
            BusinessDate businessDate,
            FileSender files) {
        this.runs = runs;
        this.records = records;
        this.reports = reports;
        this.datasets = datasets;
        this.styles = styles;
        this.accounts = accounts;
        this.rows = rows;
        this.businessDate = businessDate;
        this.files = files;
    }

    @TakesTurn
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "startRun", summary = "Starts a run of a report")
    RunView start(@RequestBody RunView.Start body, Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        Reports.Saved saved = saved(body, account);
        RunRequest request = request(body, saved, account, principal);
        // Wrong answers and views are refused here, before there is a run.
        request.plan();
        Run run = runs.prepare(request, account.name());
        records.started(run, inputs(request, saved.revision()), account);
        runs.start(run, rows.of(principal), records::ended);
        return RunView.of(run, run.progress(), AccessPolicy.seesHowItIsMade(account));
    }

    private Reports.Saved saved(RunView.Start body, Account account) {
        return reports.saved(body.report() == null ? "" : body.report(), account);
    }

    private RecordedInputs inputs(RunRequest request, long revision) {
        String style = request.look().style().id();
        return new RecordedInputs(
                revision,
                request.datasets().all().stream()
                        .map(dataset -> dataset.definition().id())
                        .collect(Collectors.toMap(
                                id -> id, id -> datasets.saved(id).revision(), (a, b) -> a, TreeMap::new)),
                style,
                styles.saved(style).revision(),
                request.view(),
                request.context().zone().getId(),
                request.context().holidays().stream().sorted().toList());
    }

    private RunRequest request(RunView.Start body, Reports.Saved saved, Account account, Principal principal) {
        Report report = saved.printed();
        RunContext context = businessDate.of(report);
        ReportDatasets of = datasets.of(report);
        Answers answers = DayValues.found(
                body.given()
                        .orOfPerson(
                                report.prompts(),
                                records.lastAnswers(report.id(), account),
                                accounts.attributes(account)),
                report,
                of,
                rows.of(principal),
                context);
        return new RunRequest(report, of, styles.of(report), answers, context, body.view());
    }

    /** @param count of the rows that a run would keep; none where that is not known without reading them */
    record CountView(Optional<RowsBeforehand> count) {}

    @TakesTurn
    @PostMapping("/count")
    @Operation(operationId = "countRows", summary = "How many rows a run would keep, where its rows are held")
    CountView count(@RequestBody RunView.Start body, Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        return new CountView(
                RowsBeforehand.of(request(body, saved(body, account), account, principal), rows.of(principal)));
    }

    @GetMapping("/{id}")
    @Operation(operationId = "run", summary = "A run as it stands")
    RunView one(@PathVariable("id") String id, Principal principal) {
        Run run = run(id, principal);
        return RunView.of(run, run.progress(), seesHowItIsMade(principal));
    }

    @GetMapping(path = "/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    @Operation(operationId = "followRun", summary = "Server-sent events, each a run as it stands, until it is over")
    SseEmitter follow(@PathVariable("id") String id, Principal principal) {
        Run run = run(id, principal);
        SseEmitter events = new SseEmitter(LONGEST_FOLLOWING_MILLIS);
        boolean detailed = seesHowItIsMade(principal);
        AtomicLong last = new AtomicLong(Long.MIN_VALUE);
        Runnable end = run.follow(progress -> {
            long now = System.nanoTime();
            if (progress.state().isOver() || now - BETWEEN_EVENTS_NANOS > last.get()) {
                last.set(now);
                send(events, run, progress, detailed);
            }
        });
        events.onCompletion(end);
        return events;
    }

    private static void send(SseEmitter events, Run run, RunProgress progress, boolean detailed) {
        try {
            events.send(RunView.of(run, progress, detailed), MediaType.APPLICATION_JSON);
            if (progress.state().isOver()) {
                events.complete();
            }
        } catch (IOException | IllegalStateException e) {
            // Nobody listens any more; the run goes on and can be found again.
            events.completeWithError(e);
        }
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "cancelRun", summary = "Cancels a run")
    void cancel(@PathVariable("id") String id, Principal principal) {
        run(id, principal).cancel();
    }

    @GetMapping("/{id}/file")
    @Operation(operationId = "file", summary = "A run as a file of the given format")
    void file(
            @PathVariable("id") String id,
            @Parameter(schema = @Schema(allowableValues = {"pdf", "csv", "json"})) @RequestParam("format")
                    String format,
            @RequestParam(name = "protect", defaultValue = "true") boolean protect,
            Principal principal,
            @Parameter(hidden = true) HttpServletRequest request,
            @Parameter(hidden = true) HttpServletResponse response)
            throws IOException {
        Run run = run(id, principal);
        Format chosen = Format.of(format)
                .orElseThrow(() -> new NotFoundException(
                        "There is no format \"" + format + "\"; there are " + String.join(", ", Format.words())));
        RunResult result = result(run);
        if (chosen == Format.PDF) {
            // A report that fits no page is refused here, in words, before a file is begun.
            result.pages();
        }
        ReportWriter writer = chosen.writer(protect ? Cells.PROTECTED : Cells.EXACT);
        files.send(
                principal.getName(),
                new FileSender.Kind(FileNames.of(result, chosen.ending(result)), chosen.mediaType(result)),
                (file, wanted) -> ReportFile.write(result, writer, file, pages -> wanted.getAsBoolean()),
                request,
                response);
    }

    private boolean seesHowItIsMade(Principal principal) {
        return AccessPolicy.seesHowItIsMade(accounts.find(principal.getName()).orElseThrow());
    }

    private Run run(String id, Principal principal) {
        return OwnRuns.require(runs, id, principal);
    }

    private static RunResult result(Run run) {
        return OwnRuns.result(run);
    }
}
