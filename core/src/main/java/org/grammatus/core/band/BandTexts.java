package org.grammatus.core.band;

import com.ibm.icu.text.NumberFormat;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.Place;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.dataset.Coarsening;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.group.PrintedGroups;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.figure.PageFigureEvaluation;
import org.grammatus.core.group.select.LeftOut;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.PageFigure;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;
import org.grammatus.core.words.Words;

/** The texts of a report's bands: labels, figures, totals in words. Not thread-safe. */
public final class BandTexts {

    private final TableResult grouped;
    private final PrintedGroups groups;
    private final TablePlan plan;
    /** The same on every page. */
    private String answers;

    private final ULocale locale;
    private final Words words;
    private final List<PrintedColumn> columns = new ArrayList<>();
    private final List<ValueFormat> totalFormats = new ArrayList<>();
    private final List<Optional<ValueFormat>> labelFormats = new ArrayList<>();
    private final Map<TablePlan.TextPart.Figure, ValueFormat> textFormats = new HashMap<>();
    private final NumberFormat counts;
    private final TotalGrid grid;

    public BandTexts(TableResult grouped) {
        this.grouped = grouped;
        this.groups = grouped.groups();
        this.plan = grouped.plan();
        this.locale = plan.locale();
        this.words = Words.of(locale);
        this.counts = NumberFormat.getIntegerInstance(locale);
        labelFormats.add(Optional.empty());
        for (LevelPlan level : plan.levels()) {
            Type type = level.naming().label().orElse(level.keys().value()).type();
            String pattern = switch (type.kind()) {
                case INTEGER, DECIMAL -> "0.##################";
                case DATE, TIMESTAMP -> Formats.byType(type, plan.dataset());
                case TEXT, BOOLEAN -> "";
            };
            labelFormats.add(Optional.of(new ValueFormat(type, pattern, locale)));
        }
        for (int position = 0; position < plan.columns().size(); position++) {
            columns.add(column(position));
        }
        for (TotalPlan total : plan.totals()) {
            totalFormats.add(figureFormat(total.type(), total.format(), unit(total)));
        }
        this.grid = new TotalGrid(plan, columns);
    }

    private PrintedColumn column(int position) {
        ColumnPlan column = plan.columns().get(position);
        return new PrintedColumn(
                position,
                column,
                column.heading(locale),
                figureFormat(
                        column.value().type(),
                        column.format().pattern(),
                        column.format().unit()),
                plan.printsRows() ? Optional.of(grouped.rows().columns().get(position)) : Optional.empty(),
                column.print().onceIn().map(plan::depthOf));
    }

    private ValueFormat figureFormat(Type type, String pattern, Optional<FigureUnit> unit) {
        return new ValueFormat(type, pattern, locale, unit, plan.inputs().style());
    }

    private Optional<FigureUnit> unit(TotalPlan total) {
        return total.isAmount() ? plan.columnOf(total).format().unit() : Optional.empty();
    }

    public TableResult grouped() {
        return grouped;
    }

    /** A group's own label, without its level's name. */
    public String label(int node) {
        int depth = grouped.tree().depthOf(node);
        Column labels = groups.labels().get(depth).orElseThrow();
        int within = groups.within(node);
        if (groups.isOthers(node)) {
            return words.others(counts.format(groups.others().get(node)));
        }
        if (labels.isNull(within)) {
            Scalar key = groups.key(node);
            return key instanceof Scalar.Null ? words.none() : ScalarText.write(key);
        }
        Optional<Coarsening> coarsening = plan.levels().get(depth - 1).keys().coarsening();
        if (coarsening.isPresent()
                && plan.levels().get(depth - 1).naming().label().isEmpty()) {
            long key = ((Column.Longs) labels).values()[within];
            return coarsening.get() instanceof DateBucket(Bucket bucket, FiscalCalendar calendar)
                            && bucket == Bucket.DAY
                    ? DateBucket.format(Formats.byType(Type.DATE, plan.dataset()), key, locale)
                    : coarsening.get().label(key, locale);
        }
        return labelFormats.get(depth).orElseThrow().format(labels, within);
    }

    /** What a group's heading says: its label, unless the level has a text of its own. */
    public String heading(int node) {
        int depth = grouped.tree().depthOf(node);
        return plan.levels()
                .get(depth - 1)
                .print()
                .headerText()
                .map(text -> text(text, grouped.figures().texts().get(depth).header(), node))
                .orElseGet(() -> label(node));
    }

    /** What a footer calls its group: "Lakeside total", the grand total, or the level's own text. */
    public String totalName(int node) {
        if (node == GroupTree.ROOT) {
            return plan.totalling()
                    .grandText()
                    .map(text -> text(text, grouped.figures().texts().getFirst().footer(), node))
                    .orElseGet(words::grandTotal);
        }
        int depth = grouped.tree().depthOf(node);
        return plan.levels()
                .get(depth - 1)
                .print()
                .footerText()
                .map(text -> text(text, grouped.figures().texts().get(depth).footer(), node))
                .orElseGet(() -> words.total(label(node)));
    }

    /** What stands below a block's title; nothing where it is blank. */
    public Optional<String> note() {
        return plan.note()
                .map(text -> text(text, grouped.figures().texts().getFirst().header(), GroupTree.ROOT))
                .filter(note -> !note.isBlank());
    }

    private String text(TablePlan.GroupText text, List<Optional<Column>> values, int node) {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < text.parts().size(); i++) {
            switch (text.parts().get(i)) {
                case TablePlan.TextPart.Literal literal -> out.append(literal.text());
                case TablePlan.TextPart.GroupLabel group -> out.append(label(node));
                case TablePlan.TextPart.Figure figure -> {
                    int at = figure.overScope() ? node : groups.within(node);
                    out.append(textFormats
                            .computeIfAbsent(
                                    figure, f -> new ValueFormat(f.value().type(), f.format(), locale))
                            .format(values.get(i).orElseThrow(), at));
                }
            }
        }
        return out.toString();
    }

    /**
     * A figure in the header or footer of a page, printed.
     *
     * @param figure its index in {@link TablePlan#pageFigures}
     * @param rows the rows of the page
     */
    public String ofPage(int figure, int[] rows) {
        PageFigure shown = plan.pageFigures().get(figure);
        Column value =
                PageFigureEvaluation.over(grouped.rows().ofPages().figures().get(figure), rows);
        return new ValueFormat(shown.value().type(), shown.format(), locale).format(value, 0);
    }

    /** What was counted, named: "5 orders, 12 lines". */
    public String countsInWords(int node) {
        if (groups.blank().get(node)) {
            return "";
        }
        List<String> words = new ArrayList<>();
        for (int i = 0; i < plan.counted().size(); i++) {
            long count = grouped.figures().counts().get(i)[node];
            words.add(counts.format(count) + " "
                    + plan.dataset().table(plan.counted().get(i)).noun().of(count));
        }
        return String.join(", ", words);
    }

    /** A figure of the totals grid. */
    public String total(int total, int node) {
        return groups.blank().get(node)
                ? ""
                : totalFormats.get(total).format(grouped.figures().totals().get(total), node);
    }

    /** The columns as they are printed, from the first to the last. */
    public List<PrintedColumn> columns() {
        return columns;
    }

    /** The printed column that a total stands under. */
    public PrintedColumn columnOf(int total) {
        return grid.columnOf(total);
    }

    /** The total that stands in a column of a group's header or footer. */
    public Optional<Integer> totalAt(PrintedColumn column, int depth, Place place) {
        return grid.at(depth, place, column);
    }

    public ValueFormat totalFormat(int total) {
        return totalFormats.get(total);
    }

    /** The answers as they stand on the page: "Order date: all dates". */
    public String answersInWords() {
        if (answers == null) {
            answers = IntStream.range(0, plan.prompts().size())
                    .filter(i -> !plan.prompts().get(i).hidden())
                    .mapToObj(i -> plan.prompts().get(i).label() + ": " + AnswerWords.of(grouped, i))
                    .collect(Collectors.joining(" · "));
        }
        return answers;
    }

    /** What stands below the title: the description, the answers and what is not shown. */
    public List<String> subtitles() {
        List<String> texts = new ArrayList<>();
        plan.inputs().report().description().filter(text -> !text.isBlank()).ifPresent(texts::add);
        String answers = answersInWords();
        if (!answers.isEmpty()) {
            texts.add(answers);
        }
        String leftOut = leftOutInWords();
        if (!leftOut.isEmpty()) {
            texts.add(leftOut);
        }
        return texts;
    }

    /** What the rows of a group that are not printed by themselves are called. */
    public String otherRowsName(int node) {
        long count = grouped.rows().others().orElseThrow().counts()[node];
        return words.otherRows(
                counts.format(count),
                plan.dataset().table(DatasetModel.GRAIN).noun().of(count));
    }

    /** The total that the line of other rows shows in a column: the first one there that is an aggregate by itself. */
    public Optional<Integer> otherRowsTotalAt(PrintedColumn column) {
        List<Optional<Column>> known = grouped.rows().others().orElseThrow().totals();
        return IntStream.range(0, known.size())
                .filter(total -> columnOf(total) == column)
                .filter(total -> known.get(total).isPresent())
                .boxed()
                .findFirst();
    }

    /** What is not shown, as it stands on the page: "Apiary: 12 of 20 not shown, nor in the totals". */
    public String leftOutInWords() {
        return groups.leftOut().stream()
                .filter(LeftOut::isHidden)
                .map(out -> words.notShown(
                        out.level(), counts.format(out.groups()), counts.format(out.of()), out.covered()))
                .collect(Collectors.joining(" · "));
    }

    /** A day with its month's name. */
    public String day(long epochDay) {
        return DateBucket.day(epochDay, locale);
    }
}
