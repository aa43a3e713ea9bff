package org.grammatus.export;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.explain.ShownFields;

/** The rows behind a group as CSV (RFC 4180, UTF-8), with the fields that are shown. */
public final class RowsBehindCsv {

    private static final int ASK_EVERY = 1_000;

    private RowsBehindCsv() {}

    /**
     * Writes rows; the stream stays open.
     *
     * @param rows numbers of rows at the grain
     * @param wanted whether to go on; asked now and then
     * @throws CancellationException if not
     */
    public static void write(ShownFields shown, int[] rows, Cells cells, OutputStream out, BooleanSupplier wanted)
            throws IOException {
        FormulaEscaping texts = new FormulaEscaping(cells);
        CSVPrinter csv = new CSVPrinter(
                new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8)), CSVFormat.RFC4180);
        csv.printRecord(Headings.unique(
                shown.fields().stream().map(field -> texts.text(field.label())).toList()));
        for (int i = 0; i < rows.length; i++) {
            if (i % ASK_EVERY == 0 && !wanted.getAsBoolean()) {
                throw new CancellationException();
            }
            for (ShownFields.Field field : shown.fields()) {
                csv.print(texts.value(Scalars.at(field.values(), field.path()[rows[i]])));
            }
            csv.println();
        }
        csv.flush();
    }
}
