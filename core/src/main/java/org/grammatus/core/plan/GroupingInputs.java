package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;

/**
 * All of a plan that its groups, their order and their figures depend on, and nothing of how they are printed: plans with equal
 * inputs have the same facts over the same rows.
 *
 * @param pointer where the block stands in the definition, for what is said of its figures
 * @param carriedIn depth of the groups in which totals are carried from page to page
 * @param texts the figures in what stands above the block and beside its grand total
 */
public record GroupingInputs(
        Answered answered,
        String pointer,
        List<FilterPlan.Kept> conditions,
        List<LevelPlan> levels,
        List<ColumnPlan> columns,
        TotalsPlan totalling,
        List<HighlightPlan> highlights,
        RowsPlan rows,
        Optional<Integer> carriedIn,
        List<Typed> pageFigures,
        List<Optional<TablePlan.GroupText>> texts) {

    /**
     * Over what and for which answers groups are made.
     *
     * @param dataset as it is read
     */
    public record Answered(Dataset dataset, RunContext context, ULocale locale, List<ResolvedPrompt> prompts) {}

    public static GroupingInputs of(TablePlan plan) {
        TotalsPlan totalling = plan.totalling();
        // Where lines are rounded first, what is printed is what is added up.
        boolean rounds = totalling.rounding() == Rounding.EACH_LINE;
        return new GroupingInputs(
                new Answered(plan.dataset().asRead(), plan.context(), plan.locale(), plan.prompts()),
                plan.pointer(),
                plan.filters().stream().map(FilterPlan::kept).toList(),
                plan.levels().stream().map(LevelPlan::unprinted).toList(),
                plan.columns().stream().map(column -> column.unprinted(rounds)).toList(),
                new TotalsPlan(
                        plan.totals().stream()
                                .map(total -> rounds ? total : total.unprinted())
                                .toList(),
                        Optional.empty(),
                        totalling.counted(),
                        totalling.cover(),
                        totalling.rounding()),
                plan.highlights().stream().map(HighlightPlan::unprinted).toList(),
                plan.rows().markedOnly(false),
                plan.carriedIn(),
                plan.pageFigures().stream().map(PageFigure::value).toList(),
                Stream.of(plan.note(), totalling.grandText())
                        .map(text -> text.map(TablePlan.GroupText::unprinted))
                        .toList());
    }
}
