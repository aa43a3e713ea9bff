package org.grammatus.server.bench;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.stream.Stream;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.plan.planner.condition.BuiltForm;
import org.grammatus.core.plan.planner.condition.FilterCondition;
import org.grammatus.core.plan.planner.condition.FilterScope;
import org.grammatus.core.plan.style.HouseLook;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.grammatus.runs.Previews;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.profile.DayValues;
import org.grammatus.runs.turns.Turns;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.RowAccess;
import org.grammatus.server.dataset.Datasets;
import org.grammatus.server.problem.MayBeMissing;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.style.Styles;
import org.grammatus.server.web.TakesTurn;
import org.grammatus.sources.Person;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Previews of a report that is being edited, for authors. The newest edit of a session wins. */
@RestController
@RequestMapping("/api/previews")
class PreviewController {

    private final Plannings plannings = new Plannings();
    private final Previews previews;
    private final Datasets datasets;
    private final RowAccess rows;
    private final Styles styles;
    private final BusinessDate businessDate;
    private final Turns turns;
    private final DraftEdits edits;

    PreviewController(
            Previews previews,
            Datasets datasets,
            RowAccess rows,
            Styles styles,
            BusinessDate businessDate,
            Turns turns,
            DraftEdits edits) {
        this.edits = edits;
        this.turns = turns;
        this.styles = styles;
        this.rows = rows;
        this.previews = previews;
        this.datasets = datasets;
        this.businessDate = businessDate;
    }

    /**
     * A definition to be seen.
     *
     * @param edit number of the edit, which only grows in a session
     * @param answers by prompt name, as written
     * @param page number of the page to be shown
     * @param style a house style that is being changed; the report's own as it is saved unless given
     * @param change a named edit to be made to the definition first
     * @param block id of the block that is worked on; the first that is switched on unless given
     * @param downTo id of the innermost level that is shown while the report is edited; none shows all of it
     */
    record PreviewBody(
            long edit,
            JsonNode definition,
            Map<String, String> answers,
            int page,
            @MayBeMissing JsonNode change,
            Optional<String> block,
            Optional<String> downTo,
            @MayBeMissing JsonNode style) {

        private boolean isChanged() {
            return change != null && !change.isNull();
        }

        private PreviewBody changed(Report report) {
            return new PreviewBody(edit, Definitions.tree(report), answers, page, null, block, downTo, style);
        }

        /** How the author looks at the report, which is no part of it. */
        private ReaderView view() {
            return downTo.isEmpty()
                    ? ReaderView.PLAIN
                    : new ReaderView(List.of(), List.of(), List.of(), List.of(), downTo);
        }
    }

    /** How far the newest preview of a session is. */
    record PreviewProgress(long rowsRead) {}

    @PostMapping("/{session}")
    @Operation(
            operationId = "preview",
            summary = "A page of a definition, or what is wrong with it; empty where a newer edit is there already")
    PreviewView preview(@PathVariable("session") String session, @RequestBody PreviewBody body, Principal principal) {
        if (!body.isChanged()) {
            return previewed(session, body, principal);
        }
        PreviewBody changed;
        try (Turns.Permit turn = turns.enter(principal.getName())) {
            Report draft = Definitions.readDraft(body.definition().toString());
            changed = body.changed(edits.edited(draft, body.change(), body.block()));
        } catch (ProblemException e) {
            return PreviewView.wrong(body.edit(), e.problems());
        }
        return previewed(session, changed, principal).of(changed.definition());
    }

    /** The definition is read once, for its page and for what can be done next. */
    private PreviewView previewed(String session, PreviewBody body, Principal principal) {
        Checked<Report> written;
        try (Turns.Permit turn = turns.enter(principal.getName())) {
            written = Definitions.checkReport(body.definition().toString());
        } catch (ProblemException e) {
            return PreviewView.wrong(body.edit(), e.problems());
        }
        return seen(session, body, written, principal).offering(offers(body, written, principal));
    }

    private Optional<OffersView> offers(PreviewBody body, Checked<Report> written, Principal principal) {
        try (Turns.Permit turn = turns.enter(principal.getName())) {
            // What is wrong is left out of a document that is checked, but can be worked on.
            return written.document()
                    .filter(report -> written.faults().isEmpty())
                    .map(report -> edits.offers(report, body.block()))
                    .orElseGet(() -> edits.offers(body.definition(), body.block()));
        }
    }

    private PreviewView seen(String session, PreviewBody body, Checked<Report> written, Principal principal) {
        try {
            RunRequest request = plannings.plan(
                    principal.getName(), session, body.edit(), () -> planned(body, written, principal.getName()));
            Optional<Run> run = previews.preview(principal.getName(), session, body.edit(), request);
            return run.map(over -> PreviewView.of(body.edit(), over, body.page()))
                    .orElseGet(() -> PreviewView.outdated(body.edit()));
        } catch (ProblemException e) {
            return PreviewView.wrong(body.edit(), e.problems());
        } catch (CancellationException e) {
            return PreviewView.outdated(body.edit());
        }
    }

    /**
     * What is to be run, checked whole, in the author's turn.
     *
     * @throws ProblemException with whatever is wrong with the definition and what it says of its dataset
     */
    private RunRequest planned(PreviewBody body, Checked<Report> written, String author) {
        try (Turns.Permit turn = turns.enter(author)) {
            Optional<HouseStyle> draft = Optional.ofNullable(body.style())
                    .filter(style -> !style.isNull())
                    .map(style -> Definitions.readStyle(style.toString()));
            Checked<Report> checked = draft.map(style -> written.with(all -> all.inStyle(style.id())))
                    .orElse(written);
            Report report = checked.document().orElseGet(checked::require);
            ReportDatasets found = datasets(checked, report);
            Answers answers = DayValues.found(
                    new Answers(body.answers() == null ? Map.of() : body.answers()).incomplete(),
                    report,
                    found,
                    rows.of(new Person(author)),
                    businessDate.of(report));
            // Whatever is wrong with the definition and what it says of its dataset is told at once.
            HouseLook look = draft.map(styles::look).orElseGet(() -> styles.of(report));
            Planner.plan(checked, found, look, answers, businessDate.of(report));
            return new RunRequest(report, found, look, answers, businessDate.of(report), body.view());
        }
    }

    private ReportDatasets datasets(Checked<Report> checked, Report report) {
        try {
            return datasets.of(report);
        } catch (ProblemException e) {
            throw new ProblemException(checked.with(e.problems()).faults());
        }
    }

    @GetMapping("/{session}")
    @Operation(operationId = "previewProgress", summary = "How far the newest preview of a session is")
    PreviewProgress progress(@PathVariable("session") String session, Principal principal) {
        return previews.newest(principal.getName(), session)
                .map(run -> new PreviewProgress(run.progress().rowsRead()))
                .orElseThrow(() -> new NotFoundException("There is no such session"));
    }

    @DeleteMapping("/{session}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "endPreviews", summary = "Ends a session")
    void end(@PathVariable("session") String session, Principal principal) {
        plannings.end(principal.getName(), session);
        previews.end(principal.getName(), session);
    }

    /** A definition of which the typed form of its filters is wanted. */
    record FiltersBody(JsonNode definition) {}

    /**
     * A filter's typed form.
     *
     * @param built of a typed one, its built form, where it has one that means the same
     */
    record FilterText(String id, String text, Optional<JsonNode> built) {}

    @TakesTurn
    @PostMapping("/filters")
    @Operation(operationId = "filterTexts", summary = "The expressions that a definition's filters stand for")
    List<FilterText> filters(@RequestBody FiltersBody body) {
        Report report = Definitions.readReport(body.definition().toString());
        ReportDatasets of = datasets.of(report);
        FilterScope main = new FilterScope(of.main(), report.prompts(), of);
        Stream<FilterText> ofBlocks = report.blocks().stream()
                .flatMap(block -> of.of(report, block.dataset()).stream()
                        .flatMap(dataset -> texts(block.ownFilters(), new FilterScope(dataset, report.prompts(), of))));
        return Stream.concat(texts(report.filters(), main), ofBlocks).toList();
    }

    private static Stream<FilterText> texts(List<ReportFilter> filters, FilterScope scope) {
        return filters.stream()
                .flatMap(ReportFilter::withParts)
                .map(filter -> new FilterText(filter.id(), FilterCondition.text(filter, scope), built(filter, scope)));
    }

    private static Optional<JsonNode> built(ReportFilter filter, FilterScope scope) {
        if (!(filter instanceof ReportFilter.Typed typed)) {
            return Optional.empty();
        }
        int[] parts = new int[1];
        try {
            return BuiltForm.of(typed, scope, () -> typed.id() + "-" + ++parts[0])
                    .map(Definitions::tree);
        } catch (ProblemException e) {
            // What is wrong with it is told by the preview.
            return Optional.empty();
        }
    }
}
