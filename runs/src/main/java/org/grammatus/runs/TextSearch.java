package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.Printed;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.value.FoldedText;

/** Finds a text in all that a run prints, ignoring case and accents. */
public final class TextSearch {

    /** The most places listed. */
    public static final int MOST = 1_000;

    private TextSearch() {}

    /**
     * A place where a text stands.
     *
     * @param page number of the page
     * @param strip number of the strip of the continuous list
     * @param band which band of the report it is
     * @param text what is printed there
     */
    public record Hit(int page, int strip, int band, String text) {}

    /** Every band that prints the text, from the top; at most {@value #MOST}. */
    public static List<Hit> find(RunResult result, String text) {
        String sought = FoldedText.of(text);
        List<Hit> hits = new ArrayList<>();
        if (sought.isBlank()) {
            return hits;
        }
        Bands bands = result.pages().bands();
        Grouped grouped = result.grouped();
        Printed printed = new Printed(grouped);
        int columns = grouped.plan().columns().size();
        for (int band = 0; band < bands.size() && hits.size() < MOST; band++) {
            for (String said : texts(bands, band, printed, columns)) {
                if (FoldedText.of(said).contains(sought)) {
                    hits.add(new Hit(
                            result.pages().pageOf(band), result.pages().strips().stripOf(band), band, said));
                    break;
                }
            }
        }
        return hits;
    }

    private static List<String> texts(Bands bands, int band, Printed printed, int columns) {
        List<String> texts = new ArrayList<>();
        int node = bands.node(band);
        switch (bands.kind(band)) {
            case GROUP_HEADING -> texts.add(printed.heading(node));
            case GROUP_FOOTER -> texts.add(printed.totalName(node));
            case GROUP_LINE -> {
                for (int column = 0; column < columns; column++) {
                    texts.add(printed.lineCell(column, node));
                }
            }
            case DETAIL -> {
                for (int column = 0; column < columns; column++) {
                    texts.add(printed.rowCell(column, bands.row(band)));
                }
            }
            case REPORT_HEADER, REPORT_FOOTER, EMPTY -> {}
        }
        return texts;
    }
}
