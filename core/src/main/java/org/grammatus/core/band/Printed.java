package org.grammatus.core.band;

import com.ibm.icu.text.NumberFormat;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report;
import org.grammatus.core.group.GroupTree;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Evaluator;
import org.grammatus.core.table.Faults;
import org.grammatus.core.value.Type;

/** The texts of a report's bands: labels, figures, totals in words. Not thread-safe. */
public final class Printed {

    private final Grouped grouped;
    private final Plan plan;
    private final ULocale locale;
    private final List<ValueFormat> columnFormats = new ArrayList<>();
    private final List<ValueFormat> totalFormats = new ArrayList<>();
    private final List<Optional<ValueFormat>> labelFormats = new ArrayList<>();
    private final List<Column> rowValues = new ArrayList<>();
    private final List<int[]> rowPaths = new ArrayList<>();
    private final NumberFormat counts;

    public Printed(Grouped grouped) {
        this.grouped = grouped;
        this.plan = grouped.plan();
        this.locale = plan.locale();
        this.counts = NumberFormat.getIntegerInstance(locale);
        labelFormats.add(Optional.empty());
        for (Plan.Level level : plan.levels()) {
            Type type = level.label().orElse(level.key()).type();
            String pattern = switch (type.kind()) {
                case INTEGER, DECIMAL -> "0.##################";
                case DATE -> "d MMM y";
                case TIMESTAMP -> "d MMM y HH:mm";
                case TEXT, BOOLEAN -> "";
            };
            labelFormats.add(Optional.of(new ValueFormat(type, pattern, locale)));
        }
        for (Plan.Column column : plan.columns()) {
            columnFormats.add(new ValueFormat(column.value().type(), column.format(), locale));
            if (plan.block().rows().shown()) {
                rowValues.add(Evaluator.evaluate(column.value(), grouped.star().at(column.home()), new Faults()));
                rowPaths.add(grouped.star().path(0, column.home()));
            }
        }
        for (Plan.Total total : plan.totals()) {
            totalFormats.add(new ValueFormat(total.value().type(), total.format(), locale));
        }
    }

    public Grouped grouped() {
        return grouped;
    }

    /** A group's own label, without its level's name. */
    public String label(int node) {
        int depth = grouped.tree().depthOf(node);
        Column labels = grouped.labels().get(depth).orElseThrow();
        int within = grouped.within(node);
        if (labels.isNull(within)) {
            return Words.NONE;
        }
        Optional<DateBucket> bucket = plan.levels().get(depth - 1).bucket();
        if (bucket.isPresent() && plan.levels().get(depth - 1).label().isEmpty()) {
            return bucket.get().label(((Column.Longs) labels).values()[within], locale);
        }
        return labelFormats.get(depth).orElseThrow().format(labels, within);
    }

    /** What a footer calls its group: "Lakeside total", or the grand total. */
    public String totalName(int node) {
        return node == GroupTree.ROOT ? Words.GRAND_TOTAL : Words.total(label(node));
    }

    /** What was counted, named: "5 orders, 12 lines". */
    public String countsInWords(int node) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < plan.counted().size(); i++) {
            long count = grouped.counts().get(i)[node];
            Dataset.Noun noun = plan.dataset().table(plan.counted().get(i)).noun();
            words.add(counts.format(count) + " " + noun.of(count));
        }
        return String.join(", ", words);
    }

    /** A figure of the totals grid. */
    public String total(int total, int node) {
        return totalFormats.get(total).format(grouped.totals().get(total), node);
    }

    /** The total that stands in a column of a group's header or footer. */
    public Optional<Integer> totalAt(int column, int depth, Report.Place place) {
        int level = depth == 0 ? Plan.Total.REPORT_LEVEL : depth - 1;
        for (int i = 0; i < plan.totals().size(); i++) {
            Plan.Total total = plan.totals().get(i);
            if (total.column() == column && total.places().get(level) == place) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    /** A column's cell in a group printed as a line. */
    public String lineCell(int column, int node) {
        int depth = grouped.tree().depthOf(node);
        return columnFormats.get(column).format(grouped.cells().get(depth).get(column), grouped.within(node));
    }

    /** A column's cell in a printed row; blank where a coarser measure has been printed above. */
    public String rowCell(int column, int row) {
        if (grouped.repeats().get(column).get(row)) {
            return "";
        }
        return columnFormats.get(column).format(rowValues.get(column), rowPaths.get(column)[row]);
    }

    /** The column's values by row of its home table, for measuring; only where rows are printed. */
    public Column rowValues(int column) {
        return rowValues.get(column);
    }

    public ValueFormat columnFormat(int column) {
        return columnFormats.get(column);
    }

    public ValueFormat totalFormat(int total) {
        return totalFormats.get(total);
    }

    /** The answers as they stand on the page: "Order date: all dates". */
    public String answersInWords() {
        return plan.prompts().stream()
                .map(prompt -> prompt.prompt().label() + ": " + prompt.inWords(locale))
                .collect(Collectors.joining(" · "));
    }

    /** A day with its month's name. */
    public String day(long epochDay) {
        return DateBucket.format("d MMMM y", epochDay, locale);
    }
}
