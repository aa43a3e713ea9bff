package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportCompare;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportFigureBuilder;
import org.grammatus.core.definition.edit.FigureEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.expression.References;

/** Edits of key figures. */
final class FigureEdits {

    /** A plan that nothing is planned in yet. */
    private static final String NO_PLAN = "SUM(0)";

    private FigureEdits() {}

    static Report apply(Report report, FigureEdit edit, EditScope scope) {
        return scope.figures(report, block -> switch (edit) {
            case FigureEdit.AddFigure add -> added(block, scope.field(report, add.field()), new PartIds(report));
            case FigureEdit.RemoveFigure remove -> removed(block, remove.figure());
            case FigureEdit.CompareFigure compare ->
                changed(block, compare.figure(), figure -> compared(figure, compare, report));
            case FigureEdit.FilterFigure filter ->
                changed(
                        block,
                        filter.figure(),
                        figure -> figure.withValue(
                                TotalEdits.filtered(figure.value(), filter.where(), scope.dataset(report))));
        });
    }

    private static FiguresBlock changed(FiguresBlock block, String id, UnaryOperator<ReportFigure> change) {
        EditScope.part(block.figures(), ReportFigure::id, id);
        return block.withFigures(Parts.changed(block.figures(), ReportFigure::id, id, change));
    }

    private static FiguresBlock added(FiguresBlock block, Proposals.Subject field, PartIds ids) {
        ReportFigure figure = ReportFigureBuilder.builder()
                .id(ids.free("k-" + field.id()))
                .label(Optional.of(field.label()))
                .value(Proposals.usual(field)
                        .map(Proposals.Total::value)
                        .orElseGet(() -> "COUNT(DISTINCT " + References.to(field.id()) + ")"))
                .build();
        return block.withFigures(Parts.appended(block.figures(), List.of(figure)));
    }

    private static FiguresBlock removed(FiguresBlock block, String id) {
        EditScope.part(block.figures(), ReportFigure::id, id);
        if (block.figures().size() == 1) {
            return EditScope.refused("the last key figure of a block stays; remove the block");
        }
        return block.withFigures(Parts.without(block.figures(), ReportFigure::id, id))
                .withHighlights(block.highlights()
                        .map(rules -> rules.stream()
                                .filter(rule -> !rule.reach()
                                        .flatMap(place -> place.figure())
                                        .equals(Optional.of(id)))
                                .toList()));
    }

    private static ReportFigure compared(ReportFigure figure, FigureEdit.CompareFigure edit, Report report) {
        Compared shown = figure.compare().map(ReportCompare::shown).orElse(Compared.PERCENT);
        boolean ofTime = edit.with() != FigureEdit.Beside.NONE && edit.with() != FigureEdit.Beside.PLAN;
        String date = edit.date()
                .or(() -> ofTime ? Optional.empty() : Optional.of(""))
                .orElseGet(() -> EditScope.refused("the comparison needs the date field that tells the time"));
        return switch (edit.with()) {
            case NONE -> figure.withCompare(Optional.empty()).withGood(Optional.empty());
            case PLAN -> figure.withCompare(Optional.of(new ReportCompare.WithPlan(ComparedWith.PLAN, NO_PLAN, shown)));
            case PERIOD ->
                figure.withCompare(Optional.of(new ReportCompare.WithPeriod(
                        ComparedWith.PERIOD,
                        date,
                        edit.prompt()
                                .filter(name -> report.prompts().stream()
                                        .anyMatch(prompt ->
                                                prompt.name().equals(name) && prompt.type() == PromptType.PERIOD))
                                .orElseGet(() ->
                                        EditScope.refused("the comparison needs the prompt that asks for the period")),
                        shown)));
            case LAST_YEAR -> figure.withCompare(Optional.of(time(ComparedWith.LAST_YEAR, date, shown)));
            case PREVIOUS_PERIOD -> figure.withCompare(Optional.of(time(ComparedWith.PREVIOUS_PERIOD, date, shown)));
        };
    }

    private static ReportCompare time(ComparedWith with, String date, Compared shown) {
        return new ReportCompare.WithTime(with, date, Optional.of(true), shown);
    }
}
