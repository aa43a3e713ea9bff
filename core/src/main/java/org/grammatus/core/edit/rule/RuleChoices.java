package org.grammatus.core.edit.rule;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
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
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.edit.part.LevelForm;
import org.grammatus.core.edit.part.PartNames;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.edit.part.PrintedFields;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Kind;

/** What a rule of one comparison can be about, and what that can be compared with. */
public final class RuleChoices {

    /** What a choice is, so that a screen can name it. */
    public enum About {
        /** What a column or field has. */
        FIELD,
        TOTAL,
        COUNT,
        FIGURE,
        OTHER,
        CHANGE,
        TODAY,
        ANSWER,
        AVERAGE_OF_GROUP,
        AVERAGE
    }

    /**
     * A value that can be compared.
     *
     * @param text its expression
     * @param name of the column, field, prompt or level that it is about
     */
    public record Choice(String text, About about, Optional<String> name, Kind type) {}

    private final Report report;
    private final ReportBlock block;
    private final ReportHighlight rule;
    private final DatasetModel dataset;
    private final PartNames names;

    /** Expressions as they are printed, whatever their author's spelling; many rules choose from the same. */
    private final Map<String, String> printed;

    /** What a rule of a block can be about. */
    public RuleChoices(Report report, ReportBlock block, ReportHighlight rule, DatasetModel dataset) {
        this(report, block, rule, dataset, new HashMap<>());
    }

    /** @param printed shared by the rules of a block */
    public RuleChoices(
            Report report, ReportBlock block, ReportHighlight rule, DatasetModel dataset, Map<String, String> printed) {
        this.printed = printed;
        this.report = report;
        this.block = block;
        this.rule = rule;
        this.dataset = dataset;
        this.names = new PartNames(report, block, dataset);
    }

    /** An expression in the spelling by which two are known to be the same. */
    public String printed(String expression) {
        return printed.computeIfAbsent(expression, text -> {
            try {
                return ExpressionPrinter.print(ExpressionParser.parse(text));
            } catch (ProblemException e) {
                return text;
            }
        });
    }

    /** Whether the rule is about rows, rather than about groups or a key figure. */
    private boolean isOfRows() {
        return block instanceof TableBlock table
                && rule.reach().map(place -> place.of() == Reach.ROW).orElse(true)
                && (table.rows().shown() || table.levels().isEmpty());
    }

    /** What the rule can be about: what is printed first, then the other fields. */
    public List<Choice> values() {
        return switch (block) {
            case FiguresBlock figures ->
                figures.figures().stream()
                        .filter(figure -> rule.reach()
                                .flatMap(ReportHighlight.Place::figure)
                                .equals(Optional.of(figure.id())))
                        .flatMap(this::ofFigure)
                        .toList();
            case TableBlock table -> distinct(isOfRows() ? ofRows(table) : ofGroups(table));
            default -> List.of();
        };
    }

    private Stream<Choice> ofFigure(ReportFigure figure) {
        Kind kind = PrintedFields.kindOfTotal(figure.value(), dataset);
        return ReadyRules.namesOf(figure).stream().map(word -> switch (word) {
            case "other" -> new Choice(word, About.OTHER, Optional.empty(), kind);
            case "change" -> new Choice(word, About.CHANGE, Optional.empty(), Kind.DECIMAL);
            default -> new Choice(word, About.FIGURE, Optional.empty(), kind);
        });
    }

    private Stream<Choice> ofRows(TableBlock table) {
        Stream<Choice> columns = table.columns().stream()
                .flatMap(column -> column
                        .value()
                        .filter(LevelForm::printsInRows)
                        .map(value -> new Choice(
                                Windows.operand(value),
                                About.FIELD,
                                Optional.of(names.of(table, column)),
                                PrintedFields.fieldOf(value, dataset)
                                        .map(field -> field.type().kind())
                                        .orElse(Kind.DECIMAL)))
                        .stream());
        return Stream.concat(columns, fields());
    }

    private Stream<Choice> fields() {
        return PrintedFields.offered(dataset)
                .filter(field -> !field.measure())
                .map(field -> new Choice(
                        Windows.operand(Proposals.column(field)),
                        About.FIELD,
                        Optional.of(field.label()),
                        field.type().kind()));
    }

    private Stream<Choice> ofGroups(TableBlock table) {
        Stream<Choice> totals = table.totals().stream()
                .filter(total -> total.shown().isEmpty() && total.compare().isEmpty())
                .map(total -> new Choice(
                        Windows.operand(total.value()),
                        About.TOTAL,
                        Parts.index(table.columns(), ReportColumn::id, total.column())
                                .map(at -> names.of(table, table.columns().get(at)))
                                .or(() -> Optional.of(total.value())),
                        PrintedFields.kindOfTotal(total.value(), dataset)));
        Choice count = new Choice("COUNT(*)", About.COUNT, Optional.empty(), Kind.INTEGER);
        return Stream.of(totals, Stream.of(count), fields()).flatMap(all -> all);
    }

    private static List<Choice> distinct(Stream<Choice> choices) {
        Map<String, Choice> found = new LinkedHashMap<>();
        choices.forEach(choice -> found.putIfAbsent(choice.text(), choice));
        return List.copyOf(found.values());
    }

    /** What a value can be compared with, besides one that is written out. */
    public List<Choice> comparedWith(Choice value) {
        List<Choice> choices = new ArrayList<>();
        Kind type = value.type();
        if (type.isTime()) {
            choices.add(new Choice("CURRENT_DATE", About.TODAY, Optional.empty(), type));
        }
        report.prompts().stream()
                .filter(prompt -> fits(prompt.type(), type))
                .map(prompt -> answer(prompt, type))
                .forEach(choices::add);
        if (block instanceof TableBlock table && type.isNumber() && isOfRows()) {
            if (!table.levels().isEmpty()) {
                ReportLevel inner = table.levels().getLast();
                choices.add(new Choice(
                        "AVG(" + value.text() + ") " + Windows.over(table.levels()),
                        About.AVERAGE_OF_GROUP,
                        Optional.of(inner.name()),
                        type));
            }
            choices.add(new Choice("AVG(" + value.text() + ") OVER ()", About.AVERAGE, Optional.empty(), type));
        }
        values().stream()
                .filter(other ->
                        !other.text().equals(value.text()) && other.type().isComparableWith(type))
                .forEach(choices::add);
        return choices;
    }

    private static Choice answer(ReportPrompt prompt, Kind type) {
        return new Choice(":" + prompt.name(), About.ANSWER, Optional.of(prompt.label()), type);
    }

    private static boolean fits(PromptType prompt, Kind type) {
        return switch (prompt) {
            case DATE -> type.isTime();
            case WHOLE_NUMBER, DECIMAL -> type.isNumber();
            case YES_NO -> type == Kind.BOOLEAN;
            case TEXT, CHOICE -> type == Kind.TEXT;
            case PERIOD, NUMBER_RANGE, TEXT_RANGE, CHOICES -> false;
        };
    }
}
