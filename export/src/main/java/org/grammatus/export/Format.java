package org.grammatus.export;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import org.grammatus.export.pdf.PdfReportWriter;

/** The file formats. */
public enum Format {
    PDF("application/pdf", cells -> new PdfReportWriter()),
    CSV("text/csv", CsvReportWriter::new),
    JSON("application/json", cells -> new JsonReportWriter());

    private final String mediaType;
    private final Function<Cells, ReportWriter> writer;

    Format(String mediaType, Function<Cells, ReportWriter> writer) {
        this.mediaType = mediaType;
        this.writer = writer;
    }

    /** The format's name, which is also its file extension. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String mediaType() {
        return mediaType;
    }

    /** The file extension of a report: several tables as CSV are one archive. */
    public String ending(Printout printout) {
        return isArchive(printout) ? "zip" : word();
    }

    /** The media type of a report's file. */
    public String mediaType(Printout printout) {
        return isArchive(printout) ? "application/zip" : mediaType;
    }

    private boolean isArchive(Printout printout) {
        return this == CSV && printout.blocks().size() > 1;
    }

    public ReportWriter writer() {
        return writer(Cells.EXACT);
    }

    public ReportWriter writer(Cells cells) {
        return writer.apply(cells);
    }

    public static Optional<Format> of(String word) {
        return Arrays.stream(values())
                .filter(format -> format.word().equals(word.toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    public static List<String> words() {
        return Arrays.stream(values()).map(Format::word).toList();
    }
}
