package org.grammatus.export;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;

/** The file formats. */
public enum Format {
    PDF("application/pdf", PdfReportWriter::new),
    JSON("application/json", JsonReportWriter::new);

    private final String mediaType;
    private final Supplier<ReportWriter> writer;

    Format(String mediaType, Supplier<ReportWriter> writer) {
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

    public ReportWriter writer() {
        return writer.get();
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
