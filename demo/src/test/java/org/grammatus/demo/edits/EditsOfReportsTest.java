package org.grammatus.demo.edits;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.document.DocumentPatch;
import org.grammatus.core.definition.edit.BlockEdit;
import org.grammatus.core.definition.edit.EditCatalogue;
import org.grammatus.core.definition.edit.FieldNameEdit;
import org.grammatus.core.definition.edit.FilterEdit;
import org.grammatus.core.definition.edit.HighlightEdit;
import org.grammatus.core.definition.edit.PromptEdit;
import org.grammatus.core.definition.edit.ReportEdit;
import org.grammatus.core.edit.EditOffers;
import org.grammatus.core.edit.Edits;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.rule.ReadyRules;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.demo.Starters;
import org.grammatus.demo.same.RandomReport;
import org.junit.jupiter.api.Test;

/** Sequences of named edits: whatever they are made to, the report can be planned, and each can be taken back. */
class EditsOfReportsTest {

    private static final int SEEDS = 2;
    private static final int MOST_SEEDS = 5;
    private static final int STEPS = 50;
    private static final int GENERATED = 8;
    private static final LocalDate TODAY = LocalDate.parse("2026-08-31");

    private static final Map<String, DatasetModel> DATASETS = Starters.datasetIds().stream()
            .collect(Collectors.toMap(
                    id -> id, id -> DatasetModel.of(Starters.dataset(id).orElseThrow())));

    private final Set<String> made = new TreeSet<>();
    private final List<String> faults = new ArrayList<>();

    @Test
    void everyEditLeavesAReportThatCanBePlanned() {
        List<String> all =
                EditCatalogue.all().stream().map(EditCatalogue.EditKind::name).toList();
        for (int seed = 0; seed < GENERATED; seed++) {
            Report report = Definitions.readReport(new RandomReport(seed).text());
            if (faultsOf(report).isEmpty()) {
                sequence(report, seed);
            }
        }
        // Some edits are seldom possible: more is done until each was made once.
        for (int seed = 0; seed < SEEDS || (made.size() < all.size() && seed < MOST_SEEDS); seed++) {
            for (String id : Starters.reportIds()) {
                sequence(Starters.report(id).orElseThrow(), seed);
            }
        }
        assertThat(faults).isEmpty();
        assertThat(made).as("every edit there is was made").containsExactlyElementsOf(all);
    }

    @Test
    void aBlockOfAnotherDatasetTakesAFilterOfTheReportByTheFieldItNamesThere() {
        Report starter = Starters.report("sales-and-purchasing").orElseThrow();
        EditScope scope = new EditScope(Optional.of("purchases"), datasets(starter), TODAY);
        Report own = Edits.apply(
                starter, new FilterEdit.ReachWithFilter("f-period", FilterEdit.Reach.BLOCK, Optional.empty()), scope);
        assertThat(faultsOf(own)).isEmpty();
        assertThat(own.blocks().getLast().ownFilters().getLast())
                .isInstanceOfSatisfying(
                        ReportFilter.OfPeriod.class,
                        period -> assertThat(period.field()).isEqualTo("order_date"));
    }

    /** Of every column, total and key figure of every starter. */
    @Test
    void everyRuleThatIsReadyCanBePlanned() {
        int rules = 0;
        for (String id : Starters.reportIds()) {
            Report starter = Starters.report(id).orElseThrow();
            for (ReportBlock block : starter.blocks()) {
                EditScope scope = new EditScope(Optional.of(block.id()), datasets(starter), TODAY);
                for (EditOffers.Ready ready : EditOffers.of(starter, scope).ready()) {
                    for (ReadyRules.Offer offer : ready.rules()) {
                        Report marked = Edits.apply(
                                starter,
                                new HighlightEdit.AddReadyHighlight(ready.part(), offer.rule(), "Mark", offer.prompt()),
                                scope);
                        assertThat(faultsOf(marked))
                                .as(id + " " + ready.part() + " " + offer)
                                .isEmpty();
                        rules++;
                    }
                }
            }
        }
        assertThat(rules).isGreaterThan(400);
    }

    private void sequence(Report first, int seed) {
        RandomEdits random = new RandomEdits(new Random(31L * first.id().hashCode() + seed));
        Report report = first;
        for (int step = 0; step < STEPS; step++) {
            EditScope scope = random.scope(report, datasets(report), TODAY);
            ReportEdit edit = random.edit(report, scope);
            Report next;
            try {
                next = Edits.apply(report, edit, scope);
            } catch (ProblemException e) {
                continue;
            }
            if (isReadByHand(report, edit)) {
                continue;
            }
            made.add(EditCatalogue.nameOf(edit));
            List<String> wrong = wrong(report, edit, next, scope);
            wrong.forEach(fault -> faults.add(first.id() + " " + seed + " " + edit + ": " + fault));
            if (!wrong.isEmpty()) {
                return;
            }
            report = next;
        }
    }

    /** What is typed reads a prompt by its name: that the prompt is gone, or asks for something else, is its author's to mend. */
    private static boolean isReadByHand(Report report, ReportEdit edit) {
        Optional<String> prompt = switch (edit) {
            case PromptEdit.RemovePrompt remove -> Optional.of(remove.prompt());
            case PromptEdit.AskOtherwise ask -> Optional.of(ask.prompt());
            default -> Optional.empty();
        };
        return prompt.flatMap(id -> report.prompts().stream()
                        .filter(one -> one.id().equals(id))
                        .findFirst())
                .filter(one -> Definitions.write(report).contains(":" + one.name()))
                .isPresent();
    }

    private static List<String> wrong(Report before, ReportEdit edit, Report after, EditScope scope) {
        List<String> wrong = new ArrayList<>(faultsOf(after));
        if (!Definitions.write(Definitions.readDraft(Definitions.write(after))).equals(Definitions.write(after))) {
            wrong.add("is not what is written of it");
        }
        var old = Definitions.tree(before);
        var changed = Definitions.tree(after);
        if (!DocumentPatch.applied(old, DocumentPatch.between(old, changed)).equals(changed)) {
            wrong.add("the patch does not lead to it");
        }
        Report restored = Definitions.readDraft(DocumentPatch.applied(changed, DocumentPatch.between(changed, old))
                .toString());
        if (!Definitions.write(restored).equals(Definitions.write(before))) {
            wrong.add("the inverse does not restore what was");
        }
        wrong.addAll(changedElsewhere(before, edit, after, scope));
        return wrong;
    }

    /** An edit of a block leaves other blocks, prompts and the page as they are. */
    private static List<String> changedElsewhere(Report before, ReportEdit edit, Report after, EditScope scope) {
        if (edit instanceof BlockEdit || edit instanceof FieldNameEdit || edit instanceof PromptEdit) {
            return List.of();
        }
        String worked = scope.worked(before).id();
        Set<ReportBlock> others = new HashSet<>(after.blocks());
        List<String> wrong = new ArrayList<>();
        before.blocks().stream()
                .filter(block -> !block.id().equals(worked) && !others.contains(block))
                .forEach(block -> wrong.add("changed the block " + block.id()));
        if (!before.prompts().equals(after.prompts()) || !before.page().equals(after.page())) {
            wrong.add("changed prompts or the page");
        }
        return wrong;
    }

    /** What is its author's to do next, and no fault of an edit: wider paper, something to choose from, a rule among rows that are no longer printed. */
    private static final List<String> LEFT_TO_DO =
            List.of("do not fit the paper", "offers nothing to choose from", "expected one of OVER ()");

    /** What is wrong with a report. */
    private static List<String> faultsOf(Report report) {
        try {
            Planner.plan(
                    Definitions.checkReport(Definitions.write(report)),
                    datasets(report),
                    new Answers(Map.of()).incomplete(),
                    RunContext.on(TODAY));
            return List.of();
        } catch (ProblemException e) {
            return e.problems().stream()
                    .filter(problem -> problem.severity() == Problem.Severity.ERROR)
                    .filter(problem -> LEFT_TO_DO.stream().noneMatch(problem.message()::contains))
                    .map(problem -> problem.pointer() + " " + problem.message())
                    .toList();
        }
    }

    private static ReportDatasets datasets(Report report) {
        return ReportDatasets.of(report, DATASETS.get(report.dataset()), id -> Optional.ofNullable(DATASETS.get(id)));
    }
}
