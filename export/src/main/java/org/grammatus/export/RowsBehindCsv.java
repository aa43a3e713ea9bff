package org.grammatus.export;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.explain.ShownFields;

/** The rows behind a group as CSV (RFC 4180, UTF-8), with the fields that are shown. */
public final class RowsBehindCsv {

    private RowsBehindCsv() {}

    /**
     * Writes rows; the stream stays open.
     *
     * @param rows numbers of rows at the grain
     */
    public static void write(ShownFields shown, int[] rows, Cells cells, OutputStream out) throws IOException {
        FormulaEscaping texts = new FormulaEscaping(cells);
        CSVPrinter csv = new CSVPrinter(
                new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8)), CSVFormat.RFC4180);
        csv.printRecord(Headings.unique(
                shown.fields().stream().map(field -> texts.text(field.label())).toList()));
        for (int row : rows) {
            for (ShownFields.Field field : shown.fields()) {
                csv.print(texts.value(Scalars.at(field.values(), field.path()[row])));
            }
            csv.println();
        }
        csv.flush();
    }
}
