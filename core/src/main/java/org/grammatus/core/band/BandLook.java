package org.grammatus.core.band;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.style.MarkStyle;

/** How highlights make a band look: its ground, its inks and its signs, as a whole and cell by cell. Immutable. */
public final class BandLook {

    private final List<BandMarks.Mark> marks;
    private final TablePlan plan;

    /** The coloured ground of one cell, as {@code #rrggbb}. */
    public record CellFill(PrintedColumn column, String colour) {}

    /** @param marks in the order of the rules */
    BandLook(List<BandMarks.Mark> marks, TablePlan plan) {
        this.marks = marks;
        this.plan = plan;
    }

    /** Whether nothing marks the band. */
    public boolean isPlain() {
        return marks.isEmpty();
    }

    /** Index of the rule that marks it first, those of the whole band before those of single cells; none where nothing does. */
    public Optional<Integer> firstRule() {
        return marks.stream()
                .min((a, b) -> Boolean.compare(!a.isWhole(), !b.isWhole()))
                .map(BandMarks.Mark::rule);
    }

    /** The colour behind the whole band, as {@code #rrggbb}; empty for none. */
    public String fill() {
        return fill(marks.stream().filter(BandMarks.Mark::isWhole).toList());
    }

    private String fill(List<BandMarks.Mark> of) {
        return of.stream()
                .map(mark -> style(mark).fill())
                .filter(fill -> !fill.isEmpty())
                .findFirst()
                .orElse("");
    }

    /** What is coloured behind single cells, in the order of the rules. */
    public List<CellFill> cellFills(List<PrintedColumn> columns) {
        List<CellFill> fills = new ArrayList<>();
        marks.stream().flatMap(mark -> mark.column().stream()).distinct().forEach(id -> {
            String fill = fill(marks.stream()
                    .filter(mark -> mark.column().equals(Optional.of(id)))
                    .toList());
            if (!fill.isEmpty()) {
                columns.stream()
                        .filter(column -> column.id().equals(id))
                        .forEach(column -> fills.add(new CellFill(column, fill)));
            }
        });
        return fills;
    }

    /** The ink of the band's texts, as {@code #rrggbb}; empty for their own. */
    public String ink() {
        return marks.stream()
                .filter(mark -> mark.isWhole() && !style(mark).ink().isEmpty())
                .findFirst()
                .map(mark -> style(mark).ink())
                .orElse("");
    }

    /**
     * The signs that stand beside the whole band, so that marks are seen in print without colour; none where it is not marked as a whole.
     *
     * @param isRow whether it is a row, beside which a rule's own word stands
     */
    public Optional<CellLook.Sign> signs(boolean isRow) {
        List<BandMarks.Mark> whole =
                marks.stream().filter(BandMarks.Mark::isWhole).toList();
        if (whole.isEmpty()) {
            return Optional.empty();
        }
        String signs = whole.stream()
                .map(mark -> isRow && !rule(mark).word().isEmpty()
                        ? rule(mark).word()
                        : style(mark).sign())
                .distinct()
                .collect(Collectors.joining(" "));
        return Optional.of(new CellLook.Sign(
                rule(whole.getFirst()).id(), signs, style(whole.getFirst()).ink()));
    }

    /** How one of its cells looks. */
    public CellLook of(PrintedColumn column) {
        if (marks.isEmpty()) {
            return CellLook.PLAIN;
        }
        List<BandMarks.Mark> own =
                marks.stream().filter(mark -> mark.isOnly(column)).toList();
        return new CellLook(
                marks.stream()
                        .anyMatch(mark -> (mark.isWhole() || mark.isOnly(column))
                                && style(mark).bold()),
                own.stream()
                        .map(mark -> style(mark).ink())
                        .filter(ink -> !ink.isEmpty())
                        .findFirst()
                        .orElse(""),
                ink(),
                own.stream()
                        .findFirst()
                        .map(mark -> new CellLook.Sign(
                                rule(mark).id(), style(mark).sign(), style(mark).ink())));
    }

    private HighlightPlan rule(BandMarks.Mark mark) {
        return plan.highlights().get(mark.rule());
    }

    private MarkStyle style(BandMarks.Mark mark) {
        return plan.inputs().style().mark(rule(mark).look());
    }
}
