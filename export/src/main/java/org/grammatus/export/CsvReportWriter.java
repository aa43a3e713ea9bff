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
import java.util.concurrent.CancellationException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.grammatus.core.band.Printed;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Place;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;

/**
 * Writes the rows as CSV (RFC 4180, UTF-8), every row with the labels of the groups it lies in: the printed rows, or the
 * innermost printed groups with their totals where rows are not printed. Figures have all their digits, dates are ISO 8601.
 */
final class CsvReportWriter implements ReportWriter {

    private static final int ASK_EVERY = 4096;
    private final CsvTexts texts;
    private Grouped grouped;
    private Printed printed;
    private TablePlan plan;

    CsvReportWriter(Cells cells) {
        this.texts = new CsvTexts(cells);
    }

    @Override
    public void write(Printout printout, OutputStream out, WriteProgress progress) throws IOException {
        this.grouped = printout.bands().grouped();
        this.printed = new Printed(grouped);
        this.plan = grouped.plan();
        BufferedWriter writer = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
        CSVPrinter csv = new CSVPrinter(writer, CSVFormat.RFC4180);
        head(csv);
        GroupTree tree = grouped.tree();
        int deepest = deepestPrinted();
        for (int place = 0; place < tree.nodeCount(); place++) {
            if (place % ASK_EVERY == 0 && !progress.pagesWritten(0)) {
                throw new CancellationException("The export was cancelled");
            }
            int node = tree.nodeAt(place);
            int depth = tree.depthOf(node);
            boolean innermost = tree.lastPlaceFrom(place) == place;
            if (plan.printsRows()) {
                if (innermost) {
                    rows(csv, node, place);
                    otherRows(csv, node);
                }
            } else if (depth == deepest || innermost && depth > 0 && depth < deepest) {
                group(csv, node, depth);
            }
        }
        csv.flush();
    }

    /** Depth of the innermost level of which anything is printed; of the innermost at all where nothing is. */
    private int deepestPrinted() {
        int depth = plan.levels().size();
        while (depth > 0 && isUnprinted(plan.levels().get(depth - 1))) {
            depth--;
        }
        return depth > 0 ? depth : Math.max(1, plan.levels().size());
    }

    private static boolean isUnprinted(LevelPlan level) {
        return level.header() == Header.NONE && level.footer() == Footer.NONE;
    }

    private void head(CSVPrinter csv) throws IOException {
        List<String> names = new ArrayList<>();
        plan.levels().forEach(level -> names.add(texts.text(level.name())));
        plan.columns().forEach(column -> names.add(texts.text(column.label())));
        csv.printRecord(Headings.unique(names));
    }

    private List<String> labels(int node) {
        List<String> labels = new ArrayList<>();
        for (int n = node; n != GroupTree.ROOT; n = grouped.tree().parentOf(n)) {
            labels.addFirst(texts.text(printed.label(n)));
        }
        // Others, and groups without rows, are not divided further.
        labels.addAll(Collections.nCopies(plan.levels().size() - labels.size(), ""));
        return labels;
    }

    private void rows(CSVPrinter csv, int node, int place) throws IOException {
        List<String> labels = labels(node);
        for (int i = grouped.rowStart()[place]; i < grouped.rowStart()[place + 1]; i++) {
            int row = grouped.rows()[i];
            List<String> record = new ArrayList<>(labels);
            for (int c = 0; c < plan.columns().size(); c++) {
                int[] path = grouped.star().path(0, plan.columns().get(c).home());
                record.add(grouped.repeats().get(c).get(row) ? "" : value(printed.rowValues(c), path[row]));
            }
            csv.printRecord(record);
        }
    }

    /** The line of other rows: what it says in the first column that has no figure, and its figures. */
    private void otherRows(CSVPrinter csv, int node) throws IOException {
        if (grouped.otherRows().isEmpty() || grouped.otherRows().get().counts()[node] == 0) {
            return;
        }
        List<String> record = labels(node);
        String name = printed.otherRowsName(node);
        for (int c = 0; c < plan.columns().size(); c++) {
            Optional<Integer> total = printed.otherRowsTotalAt(c);
            if (total.isPresent()) {
                record.add(value(
                        grouped.otherRows().get().totals().get(total.get()).orElseThrow(), node));
            } else {
                record.add(name);
                name = "";
            }
        }
        csv.printRecord(record);
    }

    private void group(CSVPrinter csv, int node, int depth) throws IOException {
        List<String> record = labels(node);
        List<Column> shared = grouped.cells().get(depth);
        for (int c = 0; c < plan.columns().size(); c++) {
            int column = c;
            Optional<Integer> total =
                    printed.totalAt(c, depth, Place.HEADER).or(() -> printed.totalAt(column, depth, Place.FOOTER));
            if (total.isPresent()) {
                record.add(value(grouped.totals().get(total.get()), node));
            } else {
                record.add(shared.isEmpty() ? "" : value(shared.get(c), grouped.within(node)));
            }
        }
        csv.printRecord(record);
    }

    private String value(Column column, int row) {
        return texts.value(Scalars.at(column, row));
    }
}
