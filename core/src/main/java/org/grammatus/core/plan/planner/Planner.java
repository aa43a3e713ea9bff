package org.grammatus.core.plan.planner;

import com.ibm.icu.util.ULocale;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.BlockRow;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportField;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.BlockRowPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.RunInputs;
import org.grammatus.core.plan.style.HouseLook;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.plan.style.StylePlanning;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.NamedAnswers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.typography.Family;

/**
 * Plans a run: resolves and types all that a report says, against its datasets and the answers.
 */
public final class Planner {

    private final Checked<Report> checked;
    private final Report report;
    private final ReportDatasets datasets;
    private final RunInputs inputs;
    private final Problems found;
    /** The block that texts at the edges of pages are about. */
    private Optional<ReportBlock> ofPages = Optional.empty();

    private Planner(Checked<Report> checked, ReportDatasets datasets, RunInputs inputs, Problems found) {
        this.checked = checked;
        this.report = checked.document().orElseThrow();
        this.datasets = datasets;
        this.inputs = inputs;
        this.found = found;
    }

    /**
     * Plans a run.
     *
     * @throws ProblemException with every fault of the answers and the definition
     */
    public static Plan plan(Report report, ReportDatasets datasets, Answers answers, RunContext context) {
        return plan(Checked.sound(report), datasets, answers, context);
    }

    /**
     * Plans a run of a report whose blocks are all over one dataset.
     *
     * @throws ProblemException with every fault of the answers and the definition
     */
    public static Plan plan(Report report, DatasetModel dataset, Answers answers, RunContext context) {
        return plan(report, ReportDatasets.of(dataset), answers, context);
    }

    /**
     * Plans a run of a document that may be wrong, so that all that is wrong with it is told at once.
     *
     * @throws ProblemException with every fault of the document, the answers and what the document says of its dataset
     */
    public static Plan plan(Checked<Report> checked, ReportDatasets datasets, Answers answers, RunContext context) {
        HouseStyle style = checked.document().map(HouseStyles::shippedFor).orElse(HouseStyles.FOUNDATION);
        return plan(checked, datasets, new HouseLook(style), answers, context);
    }

    /**
     * Plans a run likewise, to be printed in a house style.
     *
     * @param look the style that the report names, or the usual one
     * @throws ProblemException with every fault of the document, the answers and what the document says of its dataset
     */
    public static Plan plan(
            Checked<Report> checked, ReportDatasets datasets, HouseLook look, Answers answers, RunContext context) {
        if (checked.document().filter(report -> !report.blocks().isEmpty()).isEmpty()) {
            throw new ProblemException(checked.faults());
        }
        Problems problems = new Problems();
        Report report = checked.document().get();
        List<ResolvedPrompt> prompts =
                answers.resolve(report.prompts(), context, datasets, ULocale.forLanguageTag(report.locale()), problems);
        List<Problem> ofAnswers = problems.found();
        Problems found = new Problems();
        NamedAnswers named = new NamedAnswers(prompts, context.businessDate());
        Report shown =
                report.appearing((pointer, condition) -> found.collect(pointer, () -> named.holds(condition), true));
        if (shown.blocks().stream().allMatch(ReportBlock::isOff)
                && checked.faults().isEmpty()) {
            found.error("/answers", "with these answers no block of the report appears; choose others");
        }
        RunInputs inputs = inputs(shown, prompts, context, datasets, look, found);
        List<BlockPlan> blocks = new Planner(checked.with(all -> shown), datasets, inputs, found).blocks();
        found.addAll(ofAnswers);
        if (found.hasErrors() || !checked.faults().isEmpty()) {
            throw new ProblemException(checked.with(found.found()).faults());
        }
        found.addAll(Advice.on(blocks));
        found.addAll(StyleAdvice.on(report, look, blocks));
        return new Plan(inputs, blocks, arrangement(report, blocks), found.found());
    }

    private List<BlockPlan> blocks() {
        List<ReportField> said = report.fields().orElse(List.of());
        for (int i = 0; i < said.size(); i++) {
            knownSomewhere("/fields/" + i + "/id", said.get(i).id());
        }
        ofPages = ofPages();
        List<BlockPlan> blocks = new ArrayList<>();
        for (int i = 0; i < report.blocks().size(); i++) {
            ReportBlock block = report.blocks().get(i);
            if (!block.isOff()) {
                block(i, block).ifPresent(blocks::add);
            }
        }
        return blocks;
    }

    /** The block that the page names, if that is on; else the first table, or the first block of a report without one. */
    private Optional<ReportBlock> ofPages() {
        List<ReportBlock> on =
                report.blocks().stream().filter(block -> !block.isOff()).toList();
        return inputs.page()
                .block()
                .map(id -> on.stream().filter(block -> block.id().equals(id)).findFirst())
                .orElseGet(() -> on.stream()
                        .filter(TableBlock.class::isInstance)
                        .findFirst()
                        .or(() -> on.stream().findFirst()));
    }

    private Optional<BlockPlan> block(int index, ReportBlock block) {
        Optional<DatasetModel> dataset = datasets.of(report, block.dataset());
        if (dataset.isEmpty()) {
            found.error(
                    "/blocks/" + index + "/dataset",
                    "unknown dataset \"" + block.dataset().orElseThrow()
                            + "\"; choose one that is there, or switch the block off");
            return Optional.empty();
        }
        BlockScope scope = new BlockScope(checked, index, dataset.get(), datasets.main(), inputs);
        if (ofPages.filter(block::equals).isPresent()) {
            boolean choice = inputs.page().block().isEmpty()
                    && report.blocks().stream()
                                    .filter(one -> !one.isOff() && one instanceof TableBlock)
                                    .count()
                            > 1;
            scope.say(PagePlanning.figures(inputs.page(), scope, choice));
        }
        BlockPlan plan = switch (block) {
            case TableBlock table -> new TablePlanning(scope, table).table();
            case FiguresBlock figures -> new FiguresPlanning(scope, figures).plan();
            case TextBlock text -> new ParagraphPlanning(scope, text).plan();
        };
        found.addAll(scope.problems.found());
        return Optional.of(plan);
    }

    /** Notes a field of which something is said although no block's dataset has it. */
    private void knownSomewhere(String pointer, String id) {
        Set<String> names = new TreeSet<>();
        report.datasets().stream()
                .flatMap(dataset -> datasets.of(report, Optional.of(dataset)).stream())
                .forEach(dataset -> {
                    names.addAll(dataset.fields().keySet());
                    names.addAll(dataset.named().keySet());
                });
        if (!names.contains(id)) {
            found.error(pointer, "unknown field \"" + id + "\"" + Suggestion.inWords(id, List.copyOf(names)));
        }
    }

    /** The blocks in rows, those that are switched off left out; who has no place stands below the others. */
    private static List<BlockRowPlan> arrangement(Report report, List<BlockPlan> blocks) {
        List<String> left = new ArrayList<>(blocks.stream().map(BlockPlan::id).toList());
        List<BlockRowPlan> rows = new ArrayList<>();
        for (BlockRow row : report.arrangement().orElse(List.of())) {
            List<BlockRowPlan.Place> places = row.blocks().stream()
                    .filter(place -> left.remove(place.block()))
                    .map(place ->
                            new BlockRowPlan.Place(place.block(), place.share().orElse(1)))
                    .toList();
            if (!places.isEmpty()) {
                rows.add(new BlockRowPlan(
                        places, row.newPage().orElse(false), row.keepTogether().orElse(false)));
            }
        }
        left.forEach(id -> rows.add(new BlockRowPlan(List.of(new BlockRowPlan.Place(id, 1)), false, false)));
        return List.copyOf(rows);
    }

    /** What all blocks are made with; what is wrong with it is noted. */
    private static RunInputs inputs(
            Report report,
            List<ResolvedPrompt> prompts,
            RunContext context,
            ReportDatasets datasets,
            HouseLook look,
            Problems problems) {
        HouseStyle style = look.style();
        PrintStyle printed = StylePlanning.planned(report.look(), style);
        DatasetModel dataset = datasets.main();
        for (int i = 0; i < report.prompts().size(); i++) {
            String at = "/prompts/" + i + "/field";
            switch (report.prompts().get(i)) {
                case ReportPrompt.Choice choice ->
                    datasets.of(choice)
                            .ifPresentOrElse(
                                    of -> choice.field().ifPresent(field -> Known.field(at, field, of, problems)),
                                    () -> problems.error(
                                            at.replace("/field", "/dataset"),
                                            "unknown dataset \""
                                                    + choice.dataset().orElse("") + "\"; choose one that is there"));
                case ReportPrompt.Value value ->
                    value.field()
                            .filter(field -> Known.field(at, field, dataset, problems))
                            .filter(field -> dataset.typeOf(field)
                                    .filter(type -> !type.isTime())
                                    .isPresent())
                            .ifPresent(field -> problems.error(
                                    at, "\"" + field + "\" is no date; choose one whose days are offered"));
                default -> {}
            }
        }
        List<String> beside = report.beside().orElse(List.of());
        for (int i = 0; i < beside.size(); i++) {
            Known.field("/beside/" + i, beside.get(i), dataset, problems);
        }
        report.zone()
                .filter(zone -> RunContext.zone(zone).isEmpty())
                .ifPresent(zone -> problems.error(
                        "/zone",
                        "unknown time zone \"" + zone + "\", expected an IANA name such as Europe/Berlin"
                                + Suggestion.inWords(zone, ZoneId.getAvailableZoneIds())));
        return new RunInputs(
                new RunInputs.Identity(
                        report.id(),
                        report.title(),
                        report.description(),
                        style.equals(HouseStyles.FOUNDATION)
                                ? Definitions.write(report)
                                : Definitions.write(report) + Definitions.write(style)),
                report.dataset(),
                datasets,
                report.beside().orElse(List.of()),
                ULocale.forLanguageTag(report.locale()),
                context,
                prompts,
                PagePlanning.planned(report.page(), StylePlanning.edges(report.look(), style), problems),
                printed,
                look.faces().find(printed.face()).orElse(Family.BASE));
    }
}
