package org.grammatus.core.band;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Reach;
import org.grammatus.core.group.Marks;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.HighlightPlan;

/** The marks of highlights on printed rows, lines, headings, totals and whole groups. Immutable. */
public final class BandMarks {

    private final TableResult grouped;
    private final GroupTree tree;
    private final Marks marks;
    private final List<HighlightPlan> rules;
    /** By rule: id of the printed column whose cell alone it marks. */
    private final List<Optional<String>> columns;

    private final boolean anyOfGroups;

    /**
     * A mark of a band.
     *
     * @param rule index of the highlight among the plan's
     * @param column id of the column whose cell alone it is on; none where it is on the whole band
     * @param begins whether it is the first band that the highlight marks for the same row or group
     */
    public record Mark(int rule, Optional<String> column, boolean begins) {

        /** Whether it is on the whole band. */
        public boolean isWhole() {
            return column.isEmpty();
        }

        /** Whether it is on the cells of one column alone. */
        public boolean isOnly(PrintedColumn of) {
            return column.isPresent() && column.get().equals(of.id());
        }
    }

    public BandMarks(TableResult grouped) {
        this.grouped = grouped;
        this.tree = grouped.tree();
        this.marks = grouped.marks();
        this.rules = grouped.plan().highlights();
        this.columns = rules.stream().map(this::column).toList();
        this.anyOfGroups = rules.stream().anyMatch(rule -> rule.target().of() == Reach.GROUP);
    }

    /** The marks of a band, in the order of the rules. */
    public List<Mark> of(Bands bands, int band) {
        if (rules.isEmpty()) {
            return List.of();
        }
        BandKind kind = bands.kind(band);
        int node = bands.node(band);
        int row = kind == BandKind.DETAIL ? bands.row(band) : Marks.NONE;
        List<Mark> found = new ArrayList<>();
        for (int rule = 0; rule < rules.size(); rule++) {
            boolean own = kind == BandKind.FIGURE
                    ? ofFigure(rule, ((FiguresPlan) bands.block()).figures().get(bands.row(band)))
                    : row != Marks.NONE && marks.marksRow(rule, row) || isOwn(rule, kind, node);
            if (own || isAround(rule, kind, node)) {
                boolean begins = own && (rules.get(rule).target().of() != Reach.GROUP || opens(kind, node));
                Optional<String> column = kind == BandKind.FIGURE ? Optional.empty() : columns.get(rule);
                found.add(new Mark(rule, column, begins));
            }
        }
        return found;
    }

    private Optional<String> column(HighlightPlan rule) {
        return rule.target()
                .column()
                .filter(id -> grouped.plan().columns().stream()
                        .anyMatch(column -> column.id().equals(id)));
    }

    /** Whether a highlight marks a key figure. */
    public boolean ofFigure(int rule, FiguresPlan.Figure figure) {
        return rules.get(rule).target().column().equals(Optional.of(figure.id()))
                && marks.marksNode(rule, GroupTree.ROOT);
    }

    /** The highlights that mark a key figure. */
    public List<Integer> ofFigure(FiguresPlan.Figure figure) {
        return IntStream.range(0, rules.size())
                .filter(rule -> ofFigure(rule, figure))
                .boxed()
                .toList();
    }

    /** Whether a highlight is about a band's own group, and reaches this band of it. */
    private boolean isOwn(int rule, BandKind kind, int node) {
        if (!marks.marksNode(rule, node)) {
            return false;
        }
        Reach reach = rules.get(rule).target().of();
        return switch (kind) {
            case GROUP_LINE -> true;
            case GROUP_HEADING -> reach == Reach.HEADING || reach == Reach.GROUP;
            case GROUP_FOOTER, REPORT_FOOTER -> reach == Reach.TOTALS || reach == Reach.GROUP;
            default -> false;
        };
    }

    /** Whether a highlight marks a whole group that a band stands in. */
    private boolean isAround(int rule, BandKind kind, int node) {
        return anyOfGroups
                && switch (kind) {
                    case GROUP_LINE, GROUP_HEADING, GROUP_FOOTER -> isAround(rule, tree.parentOf(node));
                    case DETAIL, OTHER_ROWS -> isAround(rule, node);
                    default -> false;
                };
    }

    private boolean isAround(int rule, int node) {
        for (int n = node; n > GroupTree.ROOT; n = tree.parentOf(n)) {
            if (rules.get(rule).target().of() == Reach.GROUP && marks.marksNode(rule, n)) {
                return true;
            }
        }
        return false;
    }

    /** Whether a band of a group is the one by which it begins. */
    private boolean opens(BandKind kind, int node) {
        return kind != BandKind.GROUP_FOOTER
                || grouped.plan().levels().get(tree.depthOf(node) - 1).print().header() == Header.NONE;
    }

    /** The highlights that mark a row, itself or a group around it. */
    public List<Integer> ofRow(int row, int node) {
        List<Integer> found = new ArrayList<>();
        for (int rule = 0; rule < rules.size(); rule++) {
            if (marks.marksRow(rule, row) || anyOfGroups && isAround(rule, node)) {
                found.add(rule);
            }
        }
        return found;
    }

    /** The highlights that mark a group, itself or one around it. */
    public List<Integer> ofNode(int node) {
        List<Integer> found = new ArrayList<>();
        for (int rule = 0; rule < rules.size(); rule++) {
            if (marks.marksNode(rule, node) || anyOfGroups && isAround(rule, node)) {
                found.add(rule);
            }
        }
        return found;
    }
}
