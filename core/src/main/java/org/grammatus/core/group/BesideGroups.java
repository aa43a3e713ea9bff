package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Header;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.SharedValue;
import org.grammatus.core.group.window.PrintedGroupScope;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;

/** The values beside groups that are no totals: those in their texts, and those that all rows of a group share. */
final class BesideGroups {

    private final TablePlan plan;
    private final Figures figures;
    private final GroupIndex nodes;
    private final GroupNotices notices;

    BesideGroups(TablePlan plan, Figures figures, GroupNotices notices) {
        this.plan = plan;
        this.figures = figures;
        this.nodes = figures.nodes();
        this.notices = notices;
    }

    /** An expression's value at each node of a depth; says where a node's rows differ. */
    Column atFirstRow(Typed expression, int depth, String what) {
        return figures.values().atFirstRow(expression, depth, notices.varying(depth, what));
    }

    GroupTexts texts(int depth, PrintedGroupScope groups) {
        if (depth == 0) {
            return new GroupTexts(
                    textValues(plan.note(), 0, groups),
                    textValues(plan.totalling().grandText(), 0, groups));
        }
        LevelPlan level = plan.levels().get(depth - 1);
        return new GroupTexts(
                textValues(level.print().headerText(), depth, groups),
                textValues(level.print().footerText(), depth, groups));
    }

    private List<Optional<Column>> textValues(Optional<TablePlan.GroupText> text, int depth, PrintedGroupScope groups) {
        return text.map(TablePlan.GroupText::parts).orElse(List.of()).stream()
                .map(part -> part instanceof TablePlan.TextPart.Figure figure
                        ? Optional.of(
                                figure.overScope()
                                        ? groups.of(figure.value())
                                        : atFirstRow(figure.value(), depth, "a text"))
                        : Optional.<Column>empty())
                .toList();
    }

    /**
     * For levels whose groups are lines: column values that all rows of a node share, blank where they differ. What the groups are
     * called is known without rows.
     */
    List<Column> shared(int depth, Optional<Column> labels, DrillDown behind) {
        List<Column> cells = new ArrayList<>();
        if (depth > 0 && plan.levels().get(depth - 1).print().header() == Header.LINE) {
            LevelPlan level = plan.levels().get(depth - 1);
            for (ColumnPlan column : plan.columns()) {
                if (level.keys().coarsening().isEmpty()
                        && column.value().equals(level.keys().value())) {
                    cells.add(nodes.keys(depth));
                    continue;
                }
                if (level.isCalledBy(column.value())) {
                    cells.add(labels.orElseThrow());
                    continue;
                }
                Column values = behind.values(column);
                SharedValue shared = SharedValue.of(values, column.home(), nodes, depth);
                shared.varying().stream().forEach(node -> shared.rows()[node] = -1);
                cells.add(Gathering.orNull(values, shared.rows()));
            }
        }
        return List.copyOf(cells);
    }
}
