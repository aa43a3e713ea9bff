package org.grammatus.server.bench;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.plan.ColumnOrder;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.rows.FilterCounts;
import org.grammatus.runs.PartCounts;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunResult;
import org.grammatus.server.library.PromptView;
import org.grammatus.server.problem.ProblemView;
import org.grammatus.server.run.PageView;
import org.grammatus.server.run.RunView;
import tools.jackson.databind.JsonNode;

/**
 * What an edit looks like.
 *
 * @param edit the number it was sent with
 * @param run the finished run; none where the definition is wrong or a newer edit is there
 * @param page the page asked for
 * @param problems what is wrong, or what is worth knowing
 * @param prompts what the report asks
 * @param filters by filter that applies, and by part of it: what it keeps
 * @param orders by level that is switched on: its order in words, and how many groups it has
 * @param columnOrders by column that is switched on: what ordering by it means, and whether it is so now
 * @param marked by highlight that is switched on: how many rows it marks
 * @param blocks by block that is switched on: what it keeps
 * @param definition the report with the edit made that came along; none where there was none, or it could not be made
 * @param offers what can be done next with the block that is worked on
 */
record PreviewView(
        long edit,
        Optional<RunView> run,
        Optional<PageView> page,
        List<ProblemView> problems,
        List<PromptView> prompts,
        List<FilterCounts.FilterCount> filters,
        List<PartCounts.LevelOrder> orders,
        List<ColumnOrder> columnOrders,
        List<PartCounts.Count> marked,
        List<PartCounts.BlockCount> blocks,
        Optional<JsonNode> definition,
        Optional<OffersView> offers) {

    /** The same of a definition that an edit was made to. */
    PreviewView of(JsonNode edited) {
        return with(Optional.of(edited), offers);
    }

    PreviewView offering(Optional<OffersView> next) {
        return with(definition, next);
    }

    private PreviewView with(Optional<JsonNode> edited, Optional<OffersView> next) {
        return new PreviewView(
                edit, run, page, problems, prompts, filters, orders, columnOrders, marked, blocks, edited, next);
    }

    static PreviewView wrong(long edit, List<Problem> problems) {
        return new PreviewView(
                edit,
                Optional.empty(),
                Optional.empty(),
                problems.stream().map(ProblemView::of).toList(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty());
    }

    static PreviewView outdated(long edit) {
        return wrong(edit, List.of());
    }

    static PreviewView of(long edit, Run run, int page) {
        if (run.result().isEmpty()) {
            return wrong(edit, run.progress().problems());
        }
        RunResult result = run.result().get();
        PartCounts counts = PartCounts.of(result);
        if (result.pageCount() == 0) {
            return wrong(edit, result.notices());
        }
        int number = Math.clamp(page, 1, result.pageCount());
        return new PreviewView(
                edit,
                Optional.of(RunView.of(run, run.progress(), true)),
                Optional.of(PageView.of(result.pages().page(number))),
                result.notices().stream().map(ProblemView::of).toList(),
                PromptView.of(
                        run.request().report(),
                        result.prompts(),
                        run.request().datasets().main(),
                        run.request().context(),
                        List.of()),
                counts.filters(),
                counts.levels(),
                counts.columns(),
                counts.marked(),
                counts.blocks(),
                Optional.empty(),
                Optional.empty());
    }
}
