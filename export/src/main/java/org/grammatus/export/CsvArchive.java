package org.grammatus.export;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.grammatus.core.band.Bands;
import org.grammatus.core.plan.TablePlan;

/** The tables of a report as one ZIP archive: a CSV file each, and a first file that lists them. */
final class CsvArchive {

    /** Of every entry, so that the same report gives the same bytes: the first moment that the format knows. */
    private static final long MOMENT = 315_532_800_000L;

    private CsvArchive() {}

    /** Writes one table; the stream stays open. */
    interface BlockFile {
        void write(Bands table, OutputStream out) throws IOException;
    }

    static void write(List<Bands> blocks, OutputStream out, BlockFile file) throws IOException {
        ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
        entry(zip, "blocks.csv");
        BufferedWriter writer = new BufferedWriter(new OutputStreamWriter(zip, StandardCharsets.UTF_8));
        CSVPrinter list = new CSVPrinter(writer, CSVFormat.RFC4180);
        list.printRecord("file", "block", "title", "rows");
        for (Bands block : blocks) {
            TablePlan plan = block.grouped().plan();
            list.printRecord(
                    name(plan),
                    plan.id(),
                    plan.title().orElse(""),
                    block.grouped().rowsKept());
        }
        list.flush();
        zip.closeEntry();
        for (Bands block : blocks) {
            entry(zip, name(block.grouped().plan()));
            file.write(block, zip);
            zip.closeEntry();
        }
        zip.finish();
    }

    private static String name(TablePlan plan) {
        return plan.id() + ".csv";
    }

    private static void entry(ZipOutputStream zip, String name) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTime(MOMENT);
        zip.putNextEntry(entry);
    }
}
