package org.grammatus.core.edit.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.Good;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.choice.Reach;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.definition.edit.HighlightEdit.ReadyRule;
import org.grammatus.core.edit.part.LevelForm;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.edit.part.PrintedFields;
import org.grammatus.core.edit.part.TotalPositions;
import org.grammatus.core.value.Kind;

/** The rules that are ready for a column, a total or a key figure, by what it shows. */
public final class ReadyRules {

    /**
     * A rule that can be had.
     *
     * @param prompt name of the prompt whose answer it compares with
     * @param of name of the level within whose groups it compares
     * @param when its condition
     * @param reach what it marks; rows unless given
     */
    public record Offer(
            ReadyRule rule,
            Optional<String> prompt,
            Optional<String> of,
            String when,
            Optional<ReportHighlight.Place> reach) {}

    private final Report report;
    private final DatasetModel dataset;
    private final List<Offer> offers = new ArrayList<>();

    private ReadyRules(Report report, DatasetModel dataset) {
        this.report = report;
        this.dataset = dataset;
    }

    /** The rules for a part of a block by its id; none where it is no column, total or key figure, or shows nothing of the kind. */
    public static List<Offer> of(String part, ReportBlock block, Report report, DatasetModel dataset) {
        ReadyRules rules = new ReadyRules(report, dataset);
        switch (block) {
            case TableBlock table -> {
                find(table.columns(), ReportColumn::id, part).ifPresent(column -> rules.column(table, column));
                find(table.totals(), ReportTotal::id, part).ifPresent(total -> rules.total(table, total));
            }
            case FiguresBlock figures ->
                find(figures.figures(), ReportFigure::id, part).ifPresent(rules::figure);
            case TextBlock text -> {}
        }
        return List.copyOf(rules.offers);
    }

    private static <T> Optional<T> find(List<T> parts, Function<T, String> id, String wanted) {
        return Parts.index(parts, id, wanted).map(parts::get);
    }

    private void offer(ReadyRule rule, String when) {
        offer(rule, Optional.empty(), Optional.empty(), when);
    }

    private void offer(ReadyRule rule, Optional<String> prompt, Optional<String> of, String when) {
        offers.add(new Offer(rule, prompt, of, when, Optional.empty()));
    }

    private void column(TableBlock table, ReportColumn column) {
        Optional<String> value = column.value().filter(LevelForm::printsInRows);
        if (value.isEmpty()) {
            return;
        }
        Optional<Proposals.Subject> field = PrintedFields.fieldOf(value.get(), dataset);
        String x = Windows.operand(value.get());
        boolean number = field.filter(one -> one.type().isNumber()).isPresent();
        // Where rows are not printed, a rule is about the first of a group, which stands among no others.
        boolean amongRows = field.isPresent() && table.rows().shown();
        if (number) {
            number(x);
        } else if (field.filter(one -> one.type().kind() == Kind.DATE).isPresent()) {
            date(x);
        }
        if (number && amongRows) {
            amongNumbers(x, table.levels());
        }
        if (amongRows) {
            offer(ReadyRule.ALIKE, Windows.alike(x));
        }
        offer(ReadyRule.MISSING, x + " IS NULL");
    }

    private void number(String x) {
        offer(ReadyRule.NEGATIVE, x + " < 0");
        for (ReportPrompt prompt : report.prompts()) {
            if (prompt.type() == PromptType.WHOLE_NUMBER || prompt.type() == PromptType.DECIMAL) {
                Optional<String> name = Optional.of(prompt.name());
                offer(ReadyRule.ABOVE_ANSWER, name, Optional.empty(), x + " > :" + prompt.name());
                offer(ReadyRule.BELOW_ANSWER, name, Optional.empty(), x + " < :" + prompt.name());
            }
        }
    }

    private void date(String x) {
        offer(ReadyRule.OVERDUE, x + " < CURRENT_DATE");
        offer(ReadyRule.TODAY, x + " = CURRENT_DATE");
    }

    private void amongNumbers(String x, List<ReportLevel> levels) {
        String group = Windows.over(levels);
        Optional<String> inner = levels.isEmpty()
                ? Optional.empty()
                : Optional.of(levels.getLast().name());
        Optional<String> none = Optional.empty();
        offer(ReadyRule.ABOVE_AVERAGE, x + " > AVG(" + x + ") OVER ()");
        if (inner.isPresent()) {
            offer(ReadyRule.ABOVE_GROUP_AVERAGE, none, inner, x + " > AVG(" + x + ") " + group);
            offer(ReadyRule.LARGEST_OF_GROUP, none, inner, x + " = MAX(" + x + ") " + group);
            offer(ReadyRule.SMALLEST_OF_GROUP, none, inner, x + " = MIN(" + x + ") " + group);
            offer(ReadyRule.OUTSIDE, none, inner, Windows.outside(x, group));
        }
        offer(ReadyRule.UNUSUAL, x + " > 3 * AVG(" + x + ") OVER ()");
        offer(ReadyRule.FIRST_TEN, none, inner, Windows.rank(x, levels, true) + " <= 10");
        offer(ReadyRule.LAST_TEN, none, inner, Windows.rank(x, levels, false) + " <= 10");
        offer(ReadyRule.FIRST_TENTH, none, inner, Windows.part(x, levels) + " <= 0.1");
        String rows = dataset.table(DatasetModel.GRAIN).id();
        offer(ReadyRule.CHANGED, Windows.changed(x, levels, rows));
    }

    /** At the groups of the innermost level that it is printed at; none of one of the report alone. */
    private void total(TableBlock table, ReportTotal total) {
        table.levels().reversed().stream()
                .filter(level -> TotalPositions.of(total, level.id()).isPresent())
                .findFirst()
                .ifPresent(level -> total(table, total, level));
    }

    private void total(TableBlock table, ReportTotal total, ReportLevel level) {
        List<ReportLevel> outer = table.levels().stream()
                .takeWhile(one -> !one.id().equals(level.id()))
                .toList();
        Optional<String> of =
                outer.isEmpty() ? Optional.empty() : Optional.of(outer.getLast().name());
        Optional<String> none = Optional.empty();
        String x = Windows.operand(total.value());
        number(x);
        offer(ReadyRule.FIRST_THREE, none, of, Windows.rank(x, outer, true) + " <= 3");
        offer(ReadyRule.LAST_THREE, none, of, Windows.rank(x, outer, false) + " <= 3");
        offer(ReadyRule.FIRST_TENTH, none, of, Windows.part(x, outer) + " <= 0.1");
        offer(ReadyRule.CHANGED, Windows.changed(x, outer, level.id()));
        offer(ReadyRule.MISSING, x + " IS NULL");
        boolean line = level.header() == Header.LINE;
        boolean heading = TotalPositions.of(total, level.id()).equals(Optional.of(Place.HEADER));
        reaching(new ReportHighlight.Place(
                line ? Reach.ROW : heading ? Reach.HEADING : Reach.TOTALS,
                line ? Optional.empty() : Optional.of(level.id()),
                Optional.of(total.column()),
                Optional.empty()));
    }

    private void reaching(ReportHighlight.Place reach) {
        offers.replaceAll(
                offer -> new Offer(offer.rule(), offer.prompt(), offer.of(), offer.when(), Optional.of(reach)));
    }

    private void figure(ReportFigure figure) {
        Kind kind = PrintedFields.kindOfTotal(figure.value(), dataset);
        boolean number = kind.isNumber();
        if (figure.compare().isPresent()) {
            if (figure.good().isPresent()) {
                offer(ReadyRule.WORSE, figure.good().get() == Good.MORE ? "figure < other" : "figure > other");
            } else {
                offer(ReadyRule.LESS, "figure < other");
                offer(ReadyRule.MORE, "figure > other");
            }
            if (number) {
                offer(ReadyRule.FAR, "ABS(figure - other) > 0.1 * ABS(other)");
            }
        }
        if (number) {
            number("figure");
        } else if (kind == Kind.DATE) {
            date("figure");
        }
        offer(ReadyRule.MISSING, "figure IS NULL");
        reaching(ofFigure(figure.id()));
    }

    /** The reach of a rule that marks a key figure. */
    public static ReportHighlight.Place ofFigure(String figure) {
        return new ReportHighlight.Place(Reach.FIGURE, Optional.empty(), Optional.empty(), Optional.of(figure));
    }

    /** The names by which a rule speaks of a key figure, as far as that says so much. */
    public static List<String> namesOf(ReportFigure figure) {
        return figure.compare()
                .map(compare -> compare.shown() == Compared.FIGURE
                        ? List.of("figure", "other")
                        : List.of("figure", "other", "change"))
                .orElse(List.of("figure"));
    }
}
