package org.grammatus.core.page;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.HeadingSpan;
import org.grammatus.core.page.column.NameRooms;
import org.grammatus.core.page.column.ScaleMarks;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/** A table fitted to a width: where its columns stand and how tall its bands are. Not thread-safe. */
final class BlockLayout {

    private static final int BELOW_HEADINGS = 700;
    private static final int BELOW_SPAN = 150;
    private static final int BESIDE_WORDS = 600;

    private final Bands bands;
    private final BandContents contents;
    private final TablePlan plan;
    private final int width;
    private final ColumnLayout columns;
    private final NameRooms rooms;
    private final BandMeasures measures;
    private final List<List<String>> headingLines;
    private final boolean hasWords;
    private final List<HeadingSpan> spans;
    private final CarriedLines carried;
    private final List<Optional<ScaleMarks>> scales;

    /**
     * Fits a block; one that does not fit says so in its place.
     *
     * @param width in hundredths of a point
     * @param titleWidth the width that the report's title has above it
     * @param most size of its type at most, in percent
     */
    static BlockLayout orRefused(Bands bands, int width, int titleWidth, int most) {
        try {
            return new BlockLayout(bands, width, titleWidth, most);
        } catch (ProblemException e) {
            String why = e.problems().stream().map(Problem::message).collect(Collectors.joining("; "));
            return new BlockLayout(bands.refused(why), width, titleWidth, most);
        }
    }

    /**
     * Fits a block.
     *
     * @param width in hundredths of a point
     * @param titleWidth the width that the report's title has above it
     * @param most size of its type at most, in percent
     * @throws org.grammatus.core.problem.ProblemException if it does not fit
     */
    BlockLayout(Bands bands, int width, int titleWidth, int most) {
        this.bands = bands;
        this.contents = new BandContents(bands);
        this.plan = bands.grouped().plan();
        this.width = width;
        this.hasWords = roomForWords(plan) > 0;
        boolean refused = !bands.refusal().isEmpty();
        Optional<CardLayout> cards = bands.block() instanceof FiguresPlan && !refused
                ? Optional.of(new CardLayout(bands, contents, width, most))
                : Optional.empty();
        this.columns = bands.block() instanceof TablePlan && !refused
                ? ColumnLayout.of(
                        contents.printed(), width, Math.max(NameRooms.columnsIndent(plan), roomForWords(plan)), most)
                : ColumnLayout.none(
                        cards.map(CardLayout::type).map(TypeSetting::percent).orElse(most));
        this.rooms = new NameRooms(contents.printed(), columns, width);
        this.measures = new BandMeasures(bands, contents, columns, cards, rooms, width, titleWidth);
        this.spans = HeadingSpan.of(plan, columns);
        this.carried = new CarriedLines(bands);
        this.scales = IntStream.range(0, columns.x().length)
                .mapToObj(c -> ScaleMarks.of(bands.grouped(), c))
                .toList();
        this.headingLines = IntStream.range(0, columns.x().length)
                .mapToObj(this::headingLines)
                .toList();
    }

    /** A heading that is turned stands on one line, as long as it is. */
    private List<String> headingLines(int column) {
        String heading = plan.columns().get(column).heading(plan.locale());
        return isTurned(column)
                ? List.of(type().printable(heading, TextStyle.COLUMN_HEADING))
                : type().lines(heading, TextStyle.COLUMN_HEADING, columns.widths()[column]);
    }

    private boolean isTurned(int column) {
        return plan.columns().get(column).room().hasTurnedHeading();
    }

    /** How tall a column's own heading is. */
    private int headingHeight(int column) {
        List<String> lines = headingLines.get(column);
        return isTurned(column)
                ? type().width(lines.getFirst(), TextStyle.COLUMN_HEADING)
                : lines.size() * type().lineHeight(TextStyle.COLUMN_HEADING);
    }

    /** How tall the headings are of columns that stand in one place, from one of them on down. */
    private int headingsBelow(int column) {
        int height = 0;
        for (int other : columns.stacks().of(columns.stacks().host()[column])) {
            height += other > column ? headingHeight(other) : 0;
        }
        return height;
    }

    /** What the words beside marked rows need; nothing where signs alone stand there. */
    private static int roomForWords(TablePlan plan) {
        TypeSetting type = TypeSetting.whole(plan.inputs());
        return plan.highlights().stream()
                .filter(rule -> !rule.word().isEmpty())
                .mapToInt(rule -> type.width(type.printable(rule.word(), TextStyle.STRONG_CELL), TextStyle.STRONG_CELL)
                        + BESIDE_WORDS)
                .max()
                .orElse(0);
    }

    /** Whether words stand beside marked rows, for which room is kept. */
    boolean hasWords() {
        return hasWords;
    }

    Bands bands() {
        return bands;
    }

    BandContents contents() {
        return contents;
    }

    TablePlan plan() {
        return plan;
    }

    int width() {
        return width;
    }

    ColumnLayout columns() {
        return columns;
    }

    BandMeasures measures() {
        return measures;
    }

    TypeSetting type() {
        return measures.type();
    }

    /** Left edge of a level's headings and footers. */
    int indent(int depth) {
        return rooms.indent(depth);
    }

    int height(int band) {
        return measures.of(band).height();
    }

    /** Height of the whole block where nothing breaks it, or any that is more than some height. */
    int wholeHeight(int most) {
        int height = columnHeadingsHeight();
        for (int band = 0; band < bands.size() && height <= most; band++) {
            height += height(band);
        }
        return height;
    }

    List<String> columnHeadingLines(int column) {
        return headingLines.get(column);
    }

    /** Height of the columns' headings; 0 where there are no columns. */
    int columnHeadingsHeight() {
        int most = IntStream.range(0, headingLines.size())
                .map(c -> headingHeight(c) + headingsBelow(c))
                .max()
                .orElse(0);
        int span = spans.isEmpty() ? 0 : type().lineHeight(TextStyle.COLUMN_HEADING) + BELOW_SPAN;
        return most == 0 ? 0 : most + span + BELOW_HEADINGS;
    }

    /** Height of the columns' headings where the block goes on on another page. */
    int repeatedHeadingsHeight() {
        return plan.layout().repeatsHeadings() ? columnHeadingsHeight() : 0;
    }

    /** The headings that stand over several columns. */
    List<HeadingSpan> spans() {
        return spans;
    }

    /** Where what totals have come to is carried from page to page. */
    CarriedLines carried() {
        return carried;
    }

    /** What is drawn beside the figures of a column. */
    Optional<ScaleMarks> scale(int column) {
        return scales.get(column);
    }

    /** Height of such a line; 0 where nothing is carried. */
    int carriedHeight() {
        return carried.areAny() ? measures.carried("").height() : 0;
    }

    /** Baseline of a line of a column's heading, from the headings' top: the last lines of all stand side by side. */
    int columnHeadingBaseline(int column, int line) {
        int after = headingLines.get(column).size() - 1 - line;
        return columnHeadingsHeight()
                - BELOW_HEADINGS
                - headingsBelow(column)
                - after * type().lineHeight(TextStyle.COLUMN_HEADING)
                - (isTurned(column) ? 0 : type().descent(TextStyle.COLUMN_HEADING));
    }

    /** Where the rule below the columns' headings is, from their top. */
    int columnHeadingsRule() {
        return columnHeadingsHeight() - BELOW_HEADINGS + 200;
    }
}
