package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.Cover;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.choice.layout.ColumnRoom;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;

/**
 * All of a plan that its groups, their order and their figures depend on, and nothing of how they are printed: plans with equal
 * inputs have the same facts over the same rows.
 */
public record GroupingInputs(
        Dataset dataset,
        RunContext context,
        ULocale locale,
        List<ResolvedPrompt> prompts,
        String pointer,
        List<FilterPlan.Kept> conditions,
        List<LevelPlan> levels,
        List<ColumnPlan> columns,
        List<TotalPlan> totals,
        List<Integer> counted,
        Cover cover,
        Rounding rounding,
        List<HighlightPlan> highlights,
        RowsPlan rows,
        Optional<Integer> carriedIn,
        List<Typed> pageFigures,
        List<Optional<TablePlan.GroupText>> texts) {

    public static GroupingInputs of(TablePlan plan) {
        // Where lines are rounded first, what is printed is what is added up.
        boolean rounds = plan.rounding() == Rounding.EACH_LINE;
        return new GroupingInputs(
                plan.dataset().asRead(),
                plan.context(),
                plan.locale(),
                plan.prompts(),
                plan.pointer(),
                plan.filters().stream().map(FilterPlan::kept).toList(),
                plan.levels().stream().map(LevelPlan::unprinted).toList(),
                plan.columns().stream().map(column -> unprinted(column, rounds)).toList(),
                plan.totals().stream()
                        .map(total -> rounds ? total : total.unprinted())
                        .toList(),
                plan.counted(),
                plan.cover(),
                plan.rounding(),
                plan.highlights().stream().map(HighlightPlan::unprinted).toList(),
                plan.rows().markedOnly(false),
                plan.carriedIn(),
                plan.pageFigures().stream().map(PageFigure::value).toList(),
                Stream.of(plan.note(), plan.totalText())
                        .map(text -> text.map(TablePlan.GroupText::unprinted))
                        .toList());
    }

    private static ColumnPlan unprinted(ColumnPlan column, boolean rounds) {
        return new ColumnPlan(
                "",
                "",
                "",
                Optional.empty(),
                column.value(),
                column.home(),
                "",
                false,
                rounds ? column.unit() : Optional.empty(),
                Align.START,
                Optional.empty(),
                ColumnRoom.PLAIN,
                Optional.empty(),
                column.onceIn());
    }
}
