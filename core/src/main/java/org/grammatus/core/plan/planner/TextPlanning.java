package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Template;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;

/** Types the expressions in the templates of groups' headings and footers, and of blocks' own. */
final class TextPlanning {

    /** Stands for the group's own label, unless a field has this name. */
    static final String GROUP = "group";

    private final Names names;
    private final DatasetModel dataset;
    private final Problems problems;

    TextPlanning(Names names, DatasetModel dataset, Problems problems) {
        this.names = names;
        this.dataset = dataset;
        this.problems = problems;
    }

    TablePlan.GroupText groupText(String pointer, String text) {
        return text(pointer, text, true);
    }

    /** A text about all rows of a block: it has no group, and no row of its own. */
    TablePlan.GroupText blockText(String pointer, String text) {
        return text(pointer, text, false);
    }

    private TablePlan.GroupText text(String pointer, String text, boolean ofGroup) {
        Template template = problems.collect(pointer, () -> Template.parse(text), new Template(List.of()));
        List<TablePlan.TextPart> parts = new ArrayList<>();
        for (Template.Part part : template.parts()) {
            parts.add(
                    switch (part) {
                        case Template.Part.Literal literal -> new TablePlan.TextPart.Literal(literal.text());
                        case Template.Part.Slot slot -> slot(pointer, slot, ofGroup);
                    });
        }
        return new TablePlan.GroupText(List.copyOf(parts));
    }

    private TablePlan.TextPart slot(String pointer, Template.Part.Slot slot, boolean ofGroup) {
        String text = slot.expression().trim();
        if (ofGroup && text.equalsIgnoreCase(GROUP) && names.field(GROUP, false).isEmpty()) {
            return new TablePlan.TextPart.GroupLabel();
        }
        return problems.collect(
                pointer, () -> ofGroup ? figure(slot) : ofAllRows(slot), new TablePlan.TextPart.Literal(""));
    }

    private TablePlan.TextPart ofAllRows(Template.Part.Slot slot) {
        Typed value = typed(slot, names, Typing.Place.SCOPE);
        return new TablePlan.TextPart.Figure(value, true, Formats.of(value, dataset));
    }

    private TablePlan.TextPart figure(Template.Part.Slot slot) {
        boolean[] scope = new boolean[1];
        Typed value = inSlot(
                slot,
                expression -> {
                    scope[0] = Typing.aggregates(expression, names);
                    return Typing.type(expression, names, scope[0] ? Typing.Place.SCOPE : Typing.Place.ROW);
                },
                names);
        return new TablePlan.TextPart.Figure(value, scope[0], Formats.of(value, dataset));
    }

    /**
     * The expression of a slot.
     *
     * @throws ProblemException if it is wrong, its columns counted in the whole template
     */
    static Typed typed(Template.Part.Slot slot, Names names, Typing.Place place) {
        return inSlot(slot, expression -> Typing.type(expression, names, place), names);
    }

    private static Typed inSlot(Template.Part.Slot slot, Function<Expression, Typed> typing, Names names) {
        try {
            return typing.apply(ExpressionParser.parse(slot.expression(), names.fieldLabels()));
        } catch (ProblemException e) {
            throw new ProblemException(
                    e.problems().stream().map(problem -> inside(slot, problem)).toList());
        }
    }

    /** A problem of the slot's expression, its column counted in the whole template. */
    private static Problem inside(Template.Part.Slot slot, Problem problem) {
        return problem.position()
                .map(at -> Problem.error(
                        problem.pointer(),
                        new Position(at.line(), at.column() + slot.position().column() - 1),
                        problem.message()))
                .orElse(problem);
    }
}
