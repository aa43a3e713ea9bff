package org.grammatus.export;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandMarks;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.FigureCells;
import org.grammatus.core.band.MarkedAlone;
import org.grammatus.core.band.Printed;
import org.grammatus.core.choice.Place;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TextPlan;

/**
 * Writes the rows as CSV (RFC 4180, UTF-8), every row with the labels of the groups it lies in: the printed rows, or the
 * innermost printed groups with their totals where rows are not printed. Figures have all their digits, dates are ISO 8601.
 */
final class CsvReportWriter implements ReportWriter {

    private static final int ASK_EVERY = 4096;
    /** Heads the names of what marks rows. */
    private static final String MARK = "Mark";

    private final FormulaEscaping texts;
    private BandContents contents;
    private Printed printed;
    private GroupTree tree;
    private TablePlan plan;
    private Grouped grouped;
    private MarkedAlone shown;
    private BandMarks marks;

    CsvReportWriter(Cells cells) {
        this.texts = new FormulaEscaping(cells);
    }

    @Override
    public void write(Printout printout, OutputStream out, WriteProgress progress) throws IOException {
        List<Bands> blocks = printout.blocks();
        if (blocks.size() > 1) {
            CsvArchive.write(blocks, out, (block, into) -> write(block, into, progress));
            return;
        }
        for (Bands alone : blocks) {
            write(alone, out, progress);
        }
    }

    private void write(Bands table, OutputStream out, WriteProgress progress) throws IOException {
        this.grouped = table.grouped();
        this.shown = new MarkedAlone(grouped);
        this.marks = new BandMarks(grouped);
        this.contents = new BandContents(table);
        this.printed = contents.printed();
        this.plan = grouped.plan();
        this.tree = grouped.tree();
        BufferedWriter writer = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
        CSVPrinter csv = new CSVPrinter(writer, CSVFormat.RFC4180);
        switch (table.block()) {
            case TablePlan each -> table(csv, progress);
            case FiguresPlan figures -> figures(csv, figures);
            case TextPlan text -> text(csv, text);
        }
        csv.flush();
    }

    private void figures(CSVPrinter csv, FiguresPlan figures) throws IOException {
        FigureCells cells = contents.figures();
        csv.printRecord(marking(List.of("figure", "value", "compared with", "other", "change"), MARK));
        for (int i = 0; i < figures.figures().size(); i++) {
            FiguresPlan.Figure figure = figures.figures().get(i);
            Optional<FiguresPlan.Beside> beside = figure.beside();
            List<String> record = List.of(
                    texts.text(cells.label(i)),
                    texts.value(cells.exact(figure.value())),
                    texts.text(beside.map(FiguresPlan.Beside::with).orElse("")),
                    beside.map(b -> texts.value(cells.exact(b.other()))).orElse(""),
                    beside.flatMap(FiguresPlan.Beside::change)
                            .map(change -> texts.value(cells.exact(change)))
                            .orElse(""));
            csv.printRecord(marking(record, labels(marks.ofFigure(figure))));
        }
    }

    private void text(CSVPrinter csv, TextPlan text) throws IOException {
        csv.printRecord("text");
        for (int i = 0; i < text.paragraphs().size(); i++) {
            csv.printRecord(texts.text(contents.paragraph(i).text()));
        }
    }

    private void table(CSVPrinter csv, WriteProgress progress) throws IOException {
        head(csv);
        int deepest = deepestPrinted();
        for (int place = 0; place < tree.nodeCount(); place++) {
            if (place % ASK_EVERY == 0 && !progress.pagesWritten(0)) {
                throw new CancellationException("The export was cancelled");
            }
            if (!shown.hasPlace(place)) {
                continue;
            }
            int node = tree.nodeAt(place);
            int depth = tree.depthOf(node);
            boolean innermost = tree.lastPlaceFrom(place) == place;
            if (plan.printsRows()) {
                if (innermost) {
                    rows(csv, node, grouped.rows(), place);
                }
            } else if (depth == deepest || innermost && depth > 0 && depth < deepest) {
                group(csv, node);
            }
        }
    }

    /** Depth of the groups that have a line each; of the innermost at all where nothing is printed of any. */
    private int deepestPrinted() {
        return plan.innermostPrinted() > 0
                ? plan.innermostPrinted()
                : Math.max(1, plan.levels().size());
    }

    private void head(CSVPrinter csv) throws IOException {
        List<String> names = new ArrayList<>();
        plan.levels().forEach(level -> names.add(texts.text(level.name())));
        plan.columns().forEach(column -> names.add(texts.text(column.label())));
        csv.printRecord(Headings.unique(marking(names, MARK)));
    }

    private List<String> labels(int node) {
        List<String> labels = new ArrayList<>();
        for (int n = node; n != GroupTree.ROOT; n = tree.parentOf(n)) {
            labels.addFirst(texts.text(printed.label(n)));
        }
        // Others, and groups without rows, are not divided further.
        labels.addAll(Collections.nCopies(plan.levels().size() - labels.size(), ""));
        return labels;
    }

    private void rows(CSVPrinter csv, int node, PrintedRows rows, int place) throws IOException {
        List<String> labels = labels(node);
        for (int i = rows.starts()[place]; i < rows.starts()[place + 1]; i++) {
            int row = rows.order()[i];
            if (shown.hasRow(row, node)) {
                csv.printRecord(marked(record(labels, contents.row(row)), marks.ofRow(row, node)));
            }
        }
        if (rows.othersOf(node) > 0 && shown.hasOthers()) {
            csv.printRecord(marked(otherRows(labels, node), List.of()));
        }
    }

    /** A line with all that marks it, where the table marks something. */
    private List<String> marked(List<String> record, List<Integer> rules) {
        return marking(record, labels(rules));
    }

    private String labels(List<Integer> rules) {
        return texts.text(
                rules.stream().map(rule -> plan.highlights().get(rule).label()).collect(Collectors.joining("; ")));
    }

    /** A line with one thing more where the block marks something. */
    private List<String> marking(List<String> record, String more) {
        return plan.highlights().isEmpty()
                ? record
                : Stream.concat(record.stream(), Stream.of(more)).toList();
    }

    /** A line of values, each in its column. */
    private List<String> record(List<String> labels, List<BandCell.Value> values) {
        List<String> record = new ArrayList<>(labels);
        record.addAll(Collections.nCopies(plan.columns().size(), ""));
        values.forEach(value -> record.set(labels.size() + value.column(), texts.value(value.scalar())));
        return record;
    }

    /** The line of other rows: its figures, and what it says in the first column that has none. */
    private List<String> otherRows(List<String> labels, int node) {
        List<BandCell.Value> figures = contents.otherRows(node);
        List<String> record = record(labels, figures);
        Set<Integer> taken = figures.stream().map(BandCell.Value::column).collect(Collectors.toSet());
        IntStream.range(0, plan.columns().size())
                .filter(column -> !taken.contains(column))
                .findFirst()
                .ifPresent(column -> record.set(labels.size() + column, printed.otherRowsName(node)));
        return record;
    }

    /** A group: what its rows share, and its totals wherever they stand, those in its header before those in its footer. */
    private void group(CSVPrinter csv, int node) throws IOException {
        List<BandCell.Value> values = new ArrayList<>(contents.shared(node));
        values.addAll(contents.figures(node, Place.FOOTER));
        values.addAll(contents.figures(node, Place.HEADER));
        csv.printRecord(marked(record(labels(node), values), marks.ofNode(node)));
    }
}
