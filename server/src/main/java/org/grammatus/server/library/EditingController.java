package org.grammatus.server.library;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.Optional;
import java.util.UUID;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.problem.MayBeMissing;
import org.grammatus.server.web.TakesTurn;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Changing reports: drafts, saving, copies, names, folders, deleting. For authors alone. */
@RestController
@RequestMapping("/api/reports/{id}")
class EditingController {

    private final Reports reports;
    private final ReportCheck check;
    private final Drafts drafts;
    private final Accounts accounts;
    private final JsonMapper json;

    EditingController(Reports reports, ReportCheck check, Drafts drafts, Accounts accounts, JsonMapper json) {
        this.reports = reports;
        this.check = check;
        this.drafts = drafts;
        this.accounts = accounts;
        this.json = json;
    }

    /**
     * A report to be changed.
     *
     * @param revision number of the saved state
     * @param editable whether changes can be saved to it; otherwise they can be saved as a copy
     * @param draft this person's changes that are not saved
     */
    record EditingView(JsonNode definition, long revision, boolean editable, Optional<DraftView> draft) {}

    /**
     * Changes that are not saved.
     *
     * @param base the revision they were made to
     * @param updatedAt milliseconds since 1970-01-01 UTC
     * @param window id of the window that kept them, where that is known
     */
    record DraftView(JsonNode definition, long base, long updatedAt, Optional<UUID> window) {}

    /**
     * A changed definition and the revision it was changed from.
     *
     * @param window where it was changed: it is not saved over what another window has kept that this one does not know of
     */
    record ChangedBody(JsonNode definition, long base, Optional<Drafts.Window> window) {}

    /**
     * A changed definition that is not saved yet.
     *
     * @param window where it was changed: what another window has kept that this one does not know of stays
     */
    record DraftBody(JsonNode definition, long base, Optional<Drafts.Window> window) {}

    /** When a draft was kept. */
    record KeptView(long updatedAt) {}

    /** The newest revision's number. */
    record SavedView(long revision) {}

    /**
     * What a copy is called.
     *
     * @param definition what is copied; the report as last saved unless given
     */
    record CopyBody(@MayBeMissing String title, Optional<JsonNode> definition) {}

    @GetMapping("/editing")
    @Operation(operationId = "editing", summary = "A report to be changed, with this person's draft")
    EditingView editing(@PathVariable("id") String id, Principal principal) {
        Account account = account(principal);
        Reports.Saved saved = reports.saved(id, account);
        return new EditingView(
                json.readTree(Definitions.write(saved.report())),
                saved.revision(),
                saved.editable(),
                drafts.find(id, account)
                        .map(draft -> new DraftView(
                                json.readTree(draft.definition()), draft.base(), draft.updatedAt(), draft.window())));
    }

    @PutMapping("/draft")
    @Operation(
            operationId = "keepDraft",
            summary = "Keeps changes without saving them, right or wrong; refused where another window kept some since")
    KeptView keepDraft(@PathVariable("id") String id, @RequestBody DraftBody body, Principal principal) {
        Account account = account(principal);
        reports.saved(id, account);
        return new KeptView(drafts.keep(id, body.definition().toString(), body.base(), body.window(), account));
    }

    @DeleteMapping("/draft")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "discardDraft", summary = "Gives up changes that were not saved")
    void discardDraft(@PathVariable("id") String id, Principal principal) {
        drafts.discard(id, account(principal));
    }

    @TakesTurn
    @PutMapping
    @Operation(operationId = "save", summary = "Saves changes; refused where somebody saved since, and both are kept")
    SavedView save(@PathVariable("id") String id, @RequestBody ChangedBody body, Principal principal) {
        Account account = account(principal);
        drafts.requireKnown(id, body.definition().toString(), body.window(), account);
        Report report = check.read(body.definition().toString()).withId(id);
        long revision = reports.save(report, body.base(), account);
        drafts.discard(id, account);
        return new SavedView(revision);
    }

    @TakesTurn
    @PostMapping("/copy")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "copy", summary = "Saves a copy under another title, private to this person")
    ReportController.AddedView copy(@PathVariable("id") String id, @RequestBody CopyBody body, Principal principal) {
        Account account = account(principal);
        Report original = body.definition()
                .filter(JsonNode::isObject)
                .map(definition -> check.read(definition.toString()))
                .orElseGet(() -> reports.definition(id, account));
        String title = body.title() == null || body.title().isBlank()
                ? original.title()
                : body.title().strip();
        Report copy = reports.addCopy(original, title, account);
        return new ReportController.AddedView(copy.id(), copy.title());
    }

    @PatchMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "change", summary = "Renames, describes, files or offers a report")
    void change(@PathVariable("id") String id, @RequestBody Reports.Change change, Principal principal) {
        reports.change(id, change, account(principal));
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "deleteReport", summary = "Takes a report out of the library; it can be restored")
    void delete(@PathVariable("id") String id, Principal principal) {
        reports.delete(id, account(principal));
    }

    @TakesTurn
    @PostMapping("/restore")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "restore", summary = "Puts a deleted report back")
    void restore(@PathVariable("id") String id, Principal principal) {
        reports.restore(id, account(principal));
    }

    private Account account(Principal principal) {
        return accounts.find(principal.getName()).orElseThrow();
    }
}
