package org.grammatus.core.edit.rule;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.LevelForm;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.edit.part.PrintedFields;
import org.grammatus.core.expression.AggregateText;

/** A condition to begin a highlight with: about the selected part, else about the first figure of the block. */
public final class FirstRule {

    private FirstRule() {}

    /** @param reach what it marks; rows unless given */
    public record Condition(String when, Optional<ReportHighlight.Place> reach) {}

    /**
     * A condition to begin with.
     *
     * @param about id of what is in hand
     */
    public static Condition of(ReportBlock block, Optional<String> about, DatasetModel dataset) {
        return switch (block) {
            case FiguresBlock figures ->
                about.flatMap(id -> Parts.index(figures.figures(), ReportFigure::id, id))
                        .or(() -> figures.figures().isEmpty() ? Optional.empty() : Optional.of(0))
                        .map(figures.figures()::get)
                        .map(figure -> new Condition(
                                ofTotal("figure", figure.value(), dataset),
                                Optional.of(ReadyRules.ofFigure(figure.id()))))
                        .orElseGet(() -> EditScope.refused("there is no key figure yet that could be marked"));
            case TableBlock table -> new Condition(ofTable(table, about.orElse(""), dataset), Optional.empty());
            case TextBlock text -> EditScope.refused("a text has nothing that could be highlighted");
        };
    }

    private static String ofTable(TableBlock table, String about, DatasetModel dataset) {
        Optional<ReportTotal> total =
                Parts.index(table.totals(), ReportTotal::id, about).map(table.totals()::get);
        if (total.isPresent()) {
            return ofTotal(total.get().value(), total.get().value(), dataset);
        }
        Optional<ReportTotal> under = table.totals().stream()
                .filter(one -> one.column().equals(about))
                .findFirst();
        Optional<String> value = Parts.index(table.columns(), ReportColumn::id, about)
                .map(table.columns()::get)
                .flatMap(ReportColumn::value)
                .filter(LevelForm::printsInRows);
        if (under.isPresent() && (value.isEmpty() || !table.rows().shown())) {
            return ofTotal(under.get().value(), under.get().value(), dataset);
        }
        return value.map(shown -> about(shown, PrintedFields.fieldOf(shown, dataset)))
                .orElseGet(() -> ofFirstFigure(table, dataset));
    }

    private static String ofFirstFigure(TableBlock table, DatasetModel dataset) {
        if (!table.rows().shown() && !table.totals().isEmpty()) {
            return ofTotal(
                    table.totals().getFirst().value(), table.totals().getFirst().value(), dataset);
        }
        List<Proposals.Subject> numbers = PrintedFields.offered(dataset)
                .filter(field -> !field.measure() && field.type().isNumber())
                .toList();
        return numbers.stream()
                .filter(field -> Proposals.usual(field)
                        .filter(usual -> AggregateText.isSum(usual.value()))
                        .isPresent())
                .findFirst()
                .or(() -> numbers.stream().findFirst())
                .map(field -> about(Proposals.column(field), Optional.of(field)))
                .orElse("TRUE");
    }

    private static String ofTotal(String called, String total, DatasetModel dataset) {
        return switch (PrintedFields.kindOfTotal(total, dataset)) {
            case INTEGER, DECIMAL -> called + " > 0";
            case DATE -> called + " < CURRENT_DATE";
            default -> called + " IS NULL";
        };
    }

    /** What is asked most of a kind: of numbers whether they are large, of dates whether they are past, of others whether they are blank. */
    private static String about(String value, Optional<Proposals.Subject> field) {
        return field.map(one -> switch (one.type().kind()) {
                    case DECIMAL, INTEGER -> value + " > 100";
                    case DATE -> value + " < CURRENT_DATE";
                    case BOOLEAN -> value;
                    default -> value + " IS NULL";
                })
                .orElse(value + " IS NULL");
    }
}
