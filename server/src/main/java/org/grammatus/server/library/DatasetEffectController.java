package org.grammatus.server.library;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Renaming;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.dataset.Datasets;
import org.grammatus.server.problem.ProblemView;
import org.grammatus.server.web.TakesTurn;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** What a change of a dataset does to the reports that stand on it: told before it is saved, or made to follow. */
@RestController
@RequestMapping("/api/datasets/{id}")
class DatasetEffectController {

    private final ReportsOnDataset reports;
    private final Datasets datasets;
    private final Accounts accounts;
    private final BusinessDate businessDate;

    DatasetEffectController(ReportsOnDataset reports, Datasets datasets, Accounts accounts, BusinessDate businessDate) {
        this.reports = reports;
        this.datasets = datasets;
        this.accounts = accounts;
        this.businessDate = businessDate;
    }

    /** A changed document of the dataset. */
    record EffectBody(JsonNode definition) {}

    /**
     * A field's new name in expressions.
     *
     * @param base the revision of the dataset that it is given in
     */
    record RenameBody(String from, String to, long base) {}

    /** The dataset's newest revision. */
    record RenamedView(long revision) {}

    /** A report that uses a field. */
    record UsingReport(String id, String title) {}

    /**
     * What uses a field.
     *
     * @param reports that this person may see
     * @param others how many more there are, private to other people
     * @param datasets that are built on this one
     */
    record UsesView(List<UsingReport> reports, int others, List<String> datasets) {}

    @TakesTurn
    @GetMapping("/uses")
    @Operation(operationId = "fieldUses", summary = "The reports that use a field")
    UsesView uses(@PathVariable("id") String id, @RequestParam("field") String field, Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        Renaming probe = new Renaming(field, field + "_");
        List<UsingReport> using = new ArrayList<>();
        List<String> built = new ArrayList<>();
        int others = 0;
        for (Datasets.Saved saved :
                datasets.changed(datasets.require(id).definition()).values()) {
            String dataset = saved.definition().id();
            if (!dataset.equals(id)) {
                built.add(saved.definition().label());
            }
            for (ReportsOnDataset.Standing standing : reports.standingOn(dataset, account)) {
                Report report = standing.report();
                if (probe.in(report).equals(report)) {
                    continue;
                }
                if (standing.visible()) {
                    using.add(new UsingReport(report.id(), report.title()));
                } else {
                    others++;
                }
            }
        }
        return new UsesView(using, others, built);
    }

    @TakesTurn
    @PostMapping("/renaming")
    @Operation(
            operationId = "renameField",
            summary = "Gives a field another name in expressions, and makes all that uses it follow")
    RenamedView rename(@PathVariable("id") String id, @RequestBody RenameBody body, Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        Renaming renaming = new Renaming(body.from(), body.to());
        return new RenamedView(datasets.rename(
                id, renaming, body.base(), account, (records, all) -> reports.follow(records, renaming, all, account)));
    }

    /** A report or dataset that could not be used any more, with the places that are to be mended. */
    record Broken(String id, String title, List<ProblemView> problems) {}

    /**
     * What the change would do.
     *
     * @param broken reports that this person may see
     * @param others how many more there are, private to other people
     * @param datasets that are built on this one
     */
    record EffectView(List<Broken> broken, int others, List<Broken> datasets) {}

    @TakesTurn
    @PostMapping("/effect")
    @Operation(
            operationId = "datasetEffect",
            summary = "The reports and datasets that a changed dataset would break, and where")
    EffectView effect(@PathVariable("id") String id, @RequestBody EffectBody body, Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        Dataset definition = datasets.read(id, body.definition().toString());
        // What is wrong with the changed dataset itself is said as such.
        Map<String, Datasets.Saved> changed = datasets.changed(definition);
        changed.get(id).fault().ifPresent(fault -> {
            throw fault;
        });
        List<Broken> broken = new ArrayList<>();
        List<Broken> brokenDatasets = new ArrayList<>();
        int others = 0;
        for (Datasets.Saved after : changed.values()) {
            Dataset dataset = after.definition();
            after.fault()
                    .ifPresent(fault -> brokenDatasets.add(new Broken(
                            dataset.id(),
                            dataset.label(),
                            fault.problems().stream().map(ProblemView::of).toList())));
            Optional<DatasetModel> before = datasets.find(dataset.id());
            for (ReportsOnDataset.Standing standing : reports.standingOn(dataset.id(), account)) {
                List<Problem> faults = faults(standing.report(), dataset.id(), after.model());
                faults.removeAll(faults(standing.report(), dataset.id(), before));
                if (faults.isEmpty()) {
                    continue;
                }
                if (standing.visible()) {
                    broken.add(new Broken(
                            standing.report().id(),
                            standing.report().title(),
                            faults.stream().map(ProblemView::of).toList()));
                } else {
                    others++;
                }
            }
        }
        return new EffectView(broken, others, brokenDatasets);
    }

    /** @param changed the dataset of an id; none where it could not be used */
    private List<Problem> faults(Report report, String id, Optional<DatasetModel> changed) {
        Function<String, Optional<DatasetModel>> find = other -> other.equals(id) ? changed : datasets.find(other);
        Optional<DatasetModel> own = find.apply(report.dataset());
        if (own.isEmpty()) {
            return new ArrayList<>(List.of(Problem.error("/dataset", "its dataset could not be used")));
        }
        RunContext today = businessDate.of(report);
        try {
            Planner.plan(report, ReportDatasets.of(report, own.get(), find), Answers.NONE, today);
            return new ArrayList<>();
        } catch (ProblemException e) {
            return new ArrayList<>(e.problems());
        }
    }
}
