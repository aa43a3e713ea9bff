package org.grammatus.export;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandMarks;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.FigureCells;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.band.TableVisitor;
import org.grammatus.core.band.TableWalk;
import org.grammatus.core.choice.Place;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TextPlan;

/**
 * Writes the rows as CSV (RFC 4180, UTF-8), every row with the labels of the groups it lies in: the printed rows, or the
 * innermost printed groups with their totals where rows are not printed. Figures have all their digits, dates are ISO 8601.
 */
final class CsvReportWriter implements ReportWriter {

    /** Heads the names of what marks rows. */
    private static final String MARK = "Mark";

    private final FormulaEscaping texts;
    private BandContents contents;
    private BandTexts printed;
    private GroupTree tree;
    private TablePlan plan;
    private TableResult grouped;
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
        TableWalk walk = TableWalk.lines(grouped);
        try {
            walk.accept(new Lines(csv, progress, walk));
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    /** Writes a line for each row, or for each of the innermost groups where rows are not printed. */
    private final class Lines implements TableVisitor {

        private final CSVPrinter csv;
        private final StillWanted wanted;
        private final TableWalk walk;
        private List<String> labels = List.of();

        Lines(CSVPrinter csv, WriteProgress progress, TableWalk walk) {
            this.csv = csv;
            this.wanted = new StillWanted(progress);
            this.walk = walk;
        }

        @Override
        public void open(int node) {
            wanted.line();
            if (walk.isInnermost(node)) {
                labels = labels(node);
                if (!plan.printsRows() && node != GroupTree.ROOT) {
                    print(marked(group(node), marks.ofNode(node)));
                }
            }
        }

        @Override
        public void row(int node, int row) {
            wanted.line();
            print(marked(record(labels, contents.cells().row(row, node)), marks.ofRow(row, node)));
        }

        @Override
        public void otherRows(int node) {
            print(marked(CsvReportWriter.this.otherRows(labels, node), List.of()));
        }

        @Override
        public void close(int node) {}

        private void print(List<String> record) {
            try {
                csv.printRecord(record);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        /** A group: what its rows share, and its totals wherever they stand, those in its header before those in its footer. */
        private List<String> group(int node) {
            List<BandCell.Value> values = new ArrayList<>(contents.cells().shared(node));
            values.addAll(contents.cells().figures(node, Place.FOOTER));
            values.addAll(contents.cells().figures(node, Place.HEADER));
            return record(labels, values);
        }
    }

    private void head(CSVPrinter csv) throws IOException {
        List<String> names = new ArrayList<>();
        plan.levels().forEach(level -> names.add(texts.text(level.name())));
        contents.columns().forEach(column -> names.add(texts.text(column.plan().label())));
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
        record.addAll(Collections.nCopies(contents.columns().size(), ""));
        values.forEach(value -> record.set(labels.size() + value.column().position(), texts.value(value.scalar())));
        return record;
    }

    /** The line of other rows: its figures, and what it says in the first column that has none. */
    private List<String> otherRows(List<String> labels, int node) {
        List<BandCell.Value> figures = contents.cells().otherRows(node);
        List<String> record = record(labels, figures);
        contents.columns().stream()
                .map(PrintedColumn::position)
                .filter(position ->
                        figures.stream().noneMatch(figure -> figure.column().position() == position))
                .findFirst()
                .ifPresent(position -> record.set(labels.size() + position, printed.otherRowsName(node)));
        return record;
    }
}
