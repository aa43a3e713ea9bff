package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.Printed;
import org.grammatus.core.group.tree.GroupTree;

/** The groups of a run that have a heading or are printed as lines, each with the page it begins on. */
public final class Outline {

    /** More children than this are not listed at once. */
    public static final int MOST = 1_000;

    private Outline() {}

    /**
     * A group.
     *
     * @param place its number when the tree is read from the top; the report is 0
     * @param counts what was counted in it, in words
     * @param page page it begins on
     * @param strip strip of the continuous list it begins in
     * @param children whether such groups lie in it
     */
    public record Entry(int place, int depth, String label, String counts, int page, int strip, boolean children) {}

    /** The groups right below one that begin with a heading or a line, in printed order. */
    public static List<Entry> below(RunResult result, int parentPlace) {
        Bands bands = result.pages().bands();
        GroupTree tree = result.grouped().tree();
        Printed printed = new Printed(result.grouped());
        List<Entry> entries = new ArrayList<>();
        if (parentPlace < 0 || parentPlace >= tree.nodeCount()) {
            return entries;
        }
        int parent = tree.nodeAt(parentPlace);
        for (int band = 0; band < bands.size() && entries.size() < MOST; band++) {
            int node = bands.node(band);
            if (begins(bands, band) && node != GroupTree.ROOT && tree.parentOf(node) == parent) {
                boolean children = bands.kind(band) == BandKind.GROUP_HEADING
                        && band + 1 < bands.size()
                        && begins(bands, band + 1);
                entries.add(new Entry(
                        tree.placeOf(node),
                        tree.depthOf(node),
                        printed.label(node),
                        printed.countsInWords(node),
                        result.pages().pageOf(band),
                        result.pages().strips().stripOf(band),
                        children));
            }
        }
        return entries;
    }

    private static boolean begins(Bands bands, int band) {
        return bands.kind(band) == BandKind.GROUP_HEADING || bands.kind(band) == BandKind.GROUP_LINE;
    }
}
