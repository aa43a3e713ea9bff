package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.choice.Place;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportCompare;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.words.Words;

/** Plans key figures: each is a column of a table without groups, and the grand totals in it. */
final class FiguresPlanning {

    private final BlockScope scope;
    private final FiguresBlock block;
    private final TotalPlanning totalPlanning;
    private final List<ColumnPlan> columns = new ArrayList<>();
    private final List<TotalPlan> totals = new ArrayList<>();

    FiguresPlanning(BlockScope scope, FiguresBlock block) {
        this.scope = scope;
        this.block = block;
        this.totalPlanning = new TotalPlanning(scope);
    }

    FiguresPlan plan() {
        List<FiguresPlan.Figure> figures = new ArrayList<>();
        for (int i = 0; i < block.figures().size(); i++) {
            ReportFigure figure = block.figures().get(i);
            if (!figure.off().orElse(false)) {
                figures.add(figure(scope.pointer + "/figures/" + i, figure));
            }
        }
        return new FiguresPlan(scope.facts(List.copyOf(columns), totals, highlights(figures)), figures);
    }

    /** The rules that are switched on, about figures that are. */
    private List<HighlightPlan> highlights(List<FiguresPlan.Figure> figures) {
        List<HighlightPlan> planned = new ArrayList<>();
        List<ReportHighlight> rules = block.highlights().orElse(List.of());
        for (int i = 0; i < rules.size(); i++) {
            ReportHighlight rule = rules.get(i);
            String at = scope.pointer + "/highlights/" + i;
            Optional<String> marked = rule.reach().flatMap(ReportHighlight.Place::figure);
            figures.stream()
                    .filter(figure -> !rule.off().orElse(false) && marked.equals(Optional.of(figure.id())))
                    .map(figure -> HighlightPlanning.ofFigure(
                            rule, at, figure.id(), scope.names.with(said(figure)), scope.problems))
                    .forEach(planned::add);
        }
        return planned;
    }

    /** What a rule calls the parts of the figure that it is about. */
    private Map<String, Typed> said(FiguresPlan.Figure figure) {
        Map<String, Typed> said = new HashMap<>();
        said.put("figure", asPrinted(figure.value()));
        figure.beside().ifPresent(beside -> {
            said.put("other", asPrinted(beside.other()));
            beside.change().ifPresent(change -> said.put("change", asPrinted(change)));
        });
        return said;
    }

    private Typed asPrinted(String id) {
        return totals.stream()
                .filter(total -> total.id().equals(id))
                .map(total -> new Typed.Total(id, total.type()))
                .findFirst()
                .orElseThrow();
    }

    private FiguresPlan.Figure figure(String pointer, ReportFigure figure) {
        int column = columns.size();
        columns.add(new ColumnPlan(
                figure.id(),
                "",
                pointer,
                Optional.empty(),
                TablePlanning.NO_VALUE,
                DatasetModel.GRAIN,
                new ColumnPlan.Format(
                        figure.format().orElse(""), figure.format().isPresent(), figure.unit()),
                ColumnPlan.Print.PLAIN));
        TotalPlan planned = total(pointer, figure, figure.id(), Optional.empty(), true);
        columns.set(
                column,
                columns.get(column)
                        .called(
                                figure.label()
                                        .orElseGet(() ->
                                                scope.label(planned.value()).orElse(figure.value())),
                                figure.unit().or(() -> scope.unit(planned.value()))));
        return new FiguresPlan.Figure(
                figure.id(), planned.id(), figure.compare().map(compare -> beside(pointer, figure, compare)));
    }

    private FiguresPlan.Beside beside(String pointer, ReportFigure figure, ReportCompare compare) {
        String other = total(pointer, figure, figure.id() + ".other", Optional.of(compare.as(Compared.FIGURE)), false)
                .id();
        Optional<String> change = compare.shown() == Compared.FIGURE
                ? Optional.empty()
                : Optional.of(total(pointer, figure, figure.id() + ".change", Optional.of(compare), false)
                        .id());
        return new FiguresPlan.Beside(inWords(compare), other, change, figure.good());
    }

    /** Plans a grand total of a figure; what is wrong with the figure is noted with its value alone. */
    private TotalPlan total(
            String pointer, ReportFigure figure, String id, Optional<ReportCompare> compare, boolean printed) {
        boolean percent =
                compare.filter(with -> with.shown() == Compared.PERCENT).isPresent();
        ReportTotal total = new ReportTotal(
                id,
                figure.id(),
                figure.value(),
                Optional.empty(),
                compare,
                percent ? Optional.of(TotalPlanning.PERCENT) : figure.format(),
                printed ? List.of(new ReportCell(ReportCell.REPORT, Place.FOOTER)) : List.of());
        totals.add(totalPlanning.total(pointer, total, List.of(), columns).orElseThrow());
        return totals.getLast();
    }

    private String inWords(ReportCompare compare) {
        Words words = Words.of(scope.inputs.locale());
        return switch (compare) {
            case ReportCompare.WithPlan plan -> words.compared("plan", false);
            case ReportCompare.WithTime time -> {
                boolean cut = time.cut().orElse(false);
                yield words.compared(time.with() == ComparedWith.LAST_YEAR ? "year" : "before", cut);
            }
            case ReportCompare.WithPeriod period ->
                scope.inputs.prompts().stream()
                        .filter(prompt -> prompt.name().equals(period.prompt()))
                        .map(prompt -> prompt.inWords(scope.inputs.locale()))
                        .findFirst()
                        .orElse(period.prompt());
        };
    }
}
