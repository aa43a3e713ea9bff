package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.ParagraphKind;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.choice.TextSize;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.ReportParagraph;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.expression.Template;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.TextPlan;
import org.grammatus.core.plan.TotalPlan;

/** Plans a text: the values of its expressions are grand totals of a table without groups. */
final class ParagraphPlanning {

    /** How many lines there are to write on unless the paragraph says so. */
    private static final int USUAL_LINES = 4;

    private final BlockScope scope;
    private final TextBlock block;
    private final List<ColumnPlan> columns = new ArrayList<>();
    private final List<TotalPlan> totals = new ArrayList<>();

    ParagraphPlanning(BlockScope scope, TextBlock block) {
        this.scope = scope;
        this.block = block;
    }

    TextPlan plan() {
        List<TextPlan.Paragraph> paragraphs = new ArrayList<>();
        for (int i = 0; i < block.paragraphs().size(); i++) {
            ReportParagraph written = block.paragraphs().get(i);
            int copies = written.kind() == ParagraphKind.LINES ? written.lines().orElse(USUAL_LINES) : 1;
            paragraphs.addAll(Collections.nCopies(copies, paragraph(scope.pointer + "/paragraphs/" + i, written)));
        }
        return new TextPlan(scope.facts(List.copyOf(columns), totals, List.of()), paragraphs);
    }

    private TextPlan.Paragraph paragraph(String pointer, ReportParagraph written) {
        Align align = written.align().orElse(Align.START);
        return switch (written.kind()) {
            case WORDS ->
                new TextPlan.Words(
                        written.id(), pieces(pointer, written), written.size().orElse(TextSize.NORMAL), align);
            case SIGNATURE -> new TextPlan.Signature(written.id(), pieces(pointer, written), align);
            case LINES -> new TextPlan.Line(written.id());
        };
    }

    private List<TextPlan.Piece> pieces(String pointer, ReportParagraph written) {
        String at = pointer + "/text";
        String text = written.text().orElse("");
        Template template = scope.problems.collect(at, () -> Template.parse(text), new Template(List.of()));
        List<TextPlan.Piece> pieces = new ArrayList<>();
        for (Template.Part part : template.parts()) {
            pieces.add(
                    switch (part) {
                        case Template.Part.Literal literal -> new TextPlan.Literal(literal.text());
                        case Template.Part.Slot slot ->
                            scope.problems.collect(at, () -> value(at, written.id(), slot), new TextPlan.Literal(""));
                    });
        }
        return pieces;
    }

    private TextPlan.Piece value(String pointer, String paragraph, Template.Part.Slot slot) {
        Typed value = TextPlanning.typed(slot, scope.names, Typing.Place.SCOPE);
        String format = Formats.of(value, scope.dataset);
        String id = paragraph + "." + (totals.size() + 1);
        Optional<FigureUnit> unit = scope.unit(value);
        columns.add(new ColumnPlan(
                id,
                scope.label(value).orElse(slot.expression().strip()),
                pointer,
                Optional.empty(),
                TablePlanning.NO_VALUE,
                DatasetModel.GRAIN,
                new ColumnPlan.Format(format, false, unit),
                ColumnPlan.Print.PLAIN));
        totals.add(new TotalPlan(
                id,
                pointer,
                slot.expression().strip(),
                value,
                Shown.VALUE,
                Optional.empty(),
                value.type(),
                id,
                format,
                Map.of()));
        return new TextPlan.Value(totals.getLast().id());
    }
}
