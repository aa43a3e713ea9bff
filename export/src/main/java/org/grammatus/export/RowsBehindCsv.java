package org.grammatus.export;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.explain.RowsBehind;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Scalars;

/** The rows behind a group as CSV (RFC 4180, UTF-8), in row order, with every field that the report reads. */
public final class RowsBehindCsv {

    private RowsBehindCsv() {}

    /** Writes the rows of a group; the stream stays open. */
    public static void write(Grouped grouped, int node, Cells cells, OutputStream out) throws IOException {
        CsvTexts texts = new CsvTexts(cells);
        List<DatasetModel.FieldInfo> fields = RowsBehind.fields(grouped.plan());
        CSVPrinter csv = new CSVPrinter(
                new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8)), CSVFormat.RFC4180);
        csv.printRecord(Headings.unique(fields.stream()
                .map(field -> texts.text(field.definition().label()))
                .toList()));
        List<Column> columns = new ArrayList<>();
        List<int[]> paths = new ArrayList<>();
        for (DatasetModel.FieldInfo field : fields) {
            columns.add(grouped.star()
                    .table(field.table())
                    .fields()
                    .get(field.definition().id()));
            paths.add(grouped.star().path(DatasetModel.GRAIN, field.table()));
        }
        for (int row : grouped.behind().rows(node, grouped.tree().depthOf(node))) {
            for (int f = 0; f < columns.size(); f++) {
                csv.print(texts.value(Scalars.at(columns.get(f), paths.get(f)[row])));
            }
            csv.println();
        }
        csv.flush();
    }
}
