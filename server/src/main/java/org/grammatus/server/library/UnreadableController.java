package org.grammatus.server.library;

import static org.grammatus.server.store.generated.Tables.DATASET_REVISION;
import static org.grammatus.server.store.generated.Tables.REPORT;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.dataset.Datasets;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.problem.ProblemView;
import org.grammatus.server.store.Store;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Documents on record that cannot be read any more: they are kept whole, stand in nobody's way, and can be mended. */
@RestController
@RequestMapping("/api/records/unreadable")
class UnreadableController {

    private final Store store;
    private final Datasets datasets;
    private final Reports reports;
    private final Accounts accounts;

    UnreadableController(Store store, Datasets datasets, Reports reports, Accounts accounts) {
        this.store = store;
        this.datasets = datasets;
        this.reports = reports;
        this.accounts = accounts;
    }

    /** What a document is of. */
    enum Kind {
        REPORT,
        DATASET
    }

    /** A document that cannot be read, with what is wrong with it. */
    record Unreadable(Kind kind, String id, String title, List<ProblemView> problems) {}

    @GetMapping
    @Operation(operationId = "unreadable", summary = "Documents on record that cannot be read; for administrators")
    List<Unreadable> list() {
        List<Unreadable> found = new ArrayList<>();
        datasets.unreadable().forEach((id, fault) -> found.add(new Unreadable(Kind.DATASET, id, id, views(fault))));
        store.read()
                .select(REPORT.ID, REPORT.TITLE, REPORT.DEFINITION)
                .from(REPORT)
                .where(REPORT.DELETED_AT.isNull())
                .orderBy(REPORT.ID)
                .forEach(row -> {
                    try {
                        Definitions.readReport(row.value3());
                    } catch (ProblemException e) {
                        found.add(new Unreadable(Kind.REPORT, row.value1(), row.value2(), views(e)));
                    }
                });
        return found;
    }

    @GetMapping(path = "/{kind}/{id}", produces = MediaType.TEXT_PLAIN_VALUE)
    @Operation(operationId = "unreadableDocument", summary = "The document as it was kept; for administrators")
    String document(@PathVariable("kind") Kind kind, @PathVariable("id") String id) {
        return switch (kind) {
            case REPORT ->
                store.read()
                        .select(REPORT.DEFINITION)
                        .from(REPORT)
                        .where(REPORT.ID.eq(id))
                        .fetchOptional(REPORT.DEFINITION)
                        .orElseThrow(() -> missing(id));
            case DATASET ->
                store.read()
                        .select(DATASET_REVISION.DEFINITION)
                        .from(DATASET_REVISION)
                        .where(DATASET_REVISION.DATASET_ID.eq(id))
                        .orderBy(DATASET_REVISION.NUMBER.desc())
                        .limit(1)
                        .fetchOptional(DATASET_REVISION.DEFINITION)
                        .orElseThrow(() -> missing(id));
        };
    }

    @PutMapping(path = "/{kind}/{id}", consumes = MediaType.TEXT_PLAIN_VALUE)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "repair", summary = "Puts a fixed document in the place of one that cannot be read")
    void repair(
            @PathVariable("kind") Kind kind,
            @PathVariable("id") String id,
            @RequestBody String document,
            Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        switch (kind) {
            case REPORT -> reports.repair(id, document, account);
            case DATASET -> datasets.repair(id, document, account);
        }
    }

    private static List<ProblemView> views(ProblemException fault) {
        return fault.problems().stream().map(ProblemView::of).toList();
    }

    private static NotFoundException missing(String id) {
        return new NotFoundException("There is no document \"" + id + "\"");
    }
}
