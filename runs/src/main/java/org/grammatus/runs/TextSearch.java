package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.Bands;
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
     * @param block index of the block it stands in
     * @param band which band of the block it is
     * @param text what is printed there
     */
    public record Hit(int page, int strip, int block, int band, String text) {}

    /** Every band that prints the text, from the top; at most {@value #MOST}. */
    public static List<Hit> find(RunResult result, String text) {
        String sought = FoldedText.of(text);
        List<Hit> hits = new ArrayList<>();
        if (sought.isBlank()) {
            return hits;
        }
        for (BlockResult table : result.results()) {
            Bands bands = result.pages().blocks().get(table.index());
            BandContents contents = new BandContents(bands);
            for (int band = 0; band < bands.size() && hits.size() < MOST; band++) {
                int at = band;
                contents.texts(bands, band)
                        .filter(said -> FoldedText.of(said).contains(sought))
                        .findFirst()
                        .ifPresent(said -> hits.add(new Hit(
                                result.pages().pageOf(table.index(), at),
                                result.pages().strips().stripOf(table.index(), at),
                                table.index(),
                                at,
                                said)));
            }
        }
        return hits;
    }
}
