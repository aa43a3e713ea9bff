package org.grammatus.server.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.Report;
import org.grammatus.core.explain.InWords;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunResult;
import org.grammatus.server.library.PromptView;
import org.grammatus.server.problem.ProblemView;
import org.grammatus.server.run.PageView;
import org.grammatus.server.run.RunView;

/**
 * What an edit looks like.
 *
 * @param edit the number it was sent with
 * @param run the finished run; none where the definition is wrong or a newer edit is there
 * @param page the page asked for
 * @param problems what is wrong, or what is worth knowing
 * @param prompts what the report asks
 * @param kept by filter that applies: the rows left after it
 * @param orders by level that is switched on: its order in words, and how many groups it has
 * @param marked by highlight that is switched on: how many rows it marks
 */
record PreviewView(
        long edit,
        Optional<RunView> run,
        Optional<PageView> page,
        List<ProblemView> problems,
        List<PromptView> prompts,
        List<CountView> kept,
        List<LevelOrder> orders,
        List<CountView> marked) {

    /** A number of rows beside a part of the definition. */
    record CountView(String id, long count) {}

    /** A level's order in words. */
    record LevelOrder(String id, String words, int groups) {}

    static PreviewView wrong(long edit, List<Problem> problems) {
        return new PreviewView(
                edit,
                Optional.empty(),
                Optional.empty(),
                problems.stream().map(ProblemView::of).toList(),
                List.of(),
                List.of(),
                List.of(),
                List.of());
    }

    static PreviewView outdated(long edit) {
        return wrong(edit, List.of());
    }

    static PreviewView of(long edit, Run run, int page) {
        if (run.result().isEmpty()) {
            return wrong(edit, run.progress().problems());
        }
        RunResult result = run.result().get();
        Grouped grouped = result.grouped();
        Plan plan = grouped.plan();
        int number = Math.clamp(page, 1, result.pages().count());
        return new PreviewView(
                edit,
                Optional.of(RunView.of(run, run.progress())),
                Optional.of(PageView.of(result.pages().page(number))),
                result.notices().stream().map(ProblemView::of).toList(),
                plan.prompts().stream().map(p -> prompt(p, plan.report())).toList(),
                kept(plan, grouped),
                orders(plan, grouped),
                marked(plan, grouped));
    }

    private static PromptView prompt(ResolvedPrompt resolved, Report report) {
        return PromptView.of(resolved.prompt(), resolved, report);
    }

    private static List<CountView> kept(Plan plan, Grouped grouped) {
        List<CountView> kept = new ArrayList<>();
        for (int i = 0; i < plan.filters().size(); i++) {
            kept.add(new CountView(
                    plan.filters().get(i).id(), grouped.kept().afterEach().get(i)));
        }
        return kept;
    }

    private static List<LevelOrder> orders(Plan plan, Grouped grouped) {
        InWords words = new InWords(plan.dataset());
        List<LevelOrder> orders = new ArrayList<>();
        for (int i = 0; i < plan.levels().size(); i++) {
            Plan.Level level = plan.levels().get(i);
            int groups = grouped.keys().get(i + 1).orElseThrow().size();
            orders.add(new LevelOrder(level.definition().id(), words.order(level, plan.totals()), groups));
        }
        return orders;
    }

    private static List<CountView> marked(Plan plan, Grouped grouped) {
        List<CountView> marked = new ArrayList<>();
        for (int i = 0; i < plan.highlights().size(); i++) {
            marked.add(new CountView(
                    plan.highlights().get(i).definition().id(), grouped.marks().count(i)));
        }
        return marked;
    }
}
