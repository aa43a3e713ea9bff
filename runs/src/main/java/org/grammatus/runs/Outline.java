package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.Bands;
import org.grammatus.core.group.GroupAddresses;
import org.grammatus.core.group.tree.GroupTree;

/** The groups of a run that have a heading or are printed as lines, each with the page it begins on. */
public final class Outline {

    /** More children than this are not listed at once. */
    public static final int MOST = 1_000;

    private Outline() {}

    /**
     * A group.
     *
     * @param group its address, as {@code GroupAddress} writes it
     * @param depth how deep it lies; 0 for the title of a block, whose groups follow
     * @param counts what was counted in it, in words
     * @param page page it begins on
     * @param strip strip of the continuous list it begins in
     * @param children whether such groups lie in it
     */
    public record Entry(String group, int depth, String label, String counts, int page, int strip, boolean children) {}

    /**
     * The groups right below one that begin with a heading or a line, in printed order.
     *
     * @param parent address of the group; none for the whole report, whose groups are those of all its tables
     */
    public static List<Entry> below(RunResult result, Optional<GroupAddress> parent) {
        List<Entry> entries = new ArrayList<>();
        if (parent.isEmpty()) {
            for (BlockResult block : result.results()) {
                if (result.results().size() > 1) {
                    title(result, block).ifPresent(entries::add);
                }
                below(result, block, GroupTree.ROOT, entries);
            }
        } else {
            result.at(parent.get()).ifPresent(at -> below(result, at.table(), at.node(), entries));
        }
        return entries;
    }

    /** A block by its title, above its groups; one without a title stands for itself. */
    private static Optional<Entry> title(RunResult result, BlockResult block) {
        return block.bands()
                .block()
                .title()
                .map(title -> new Entry(
                        new GroupAddresses(block.grouped()).of(GroupTree.ROOT).toString(),
                        0,
                        title,
                        "",
                        result.pages().pageOf(block.index(), 0),
                        result.pages().strips().stripOf(block.index(), 0),
                        false));
    }

    private static void below(RunResult result, BlockResult table, int parent, List<Entry> entries) {
        Bands bands = result.pages().blocks().get(table.index());
        GroupTree tree = table.grouped().tree();
        BandTexts printed = new BandTexts(table.grouped());
        GroupAddresses addresses = new GroupAddresses(table.grouped());
        for (int band = 0; band < bands.size() && entries.size() < MOST; band++) {
            int node = bands.node(band);
            if (begins(bands, band) && node != GroupTree.ROOT && tree.parentOf(node) == parent) {
                boolean children = bands.kind(band) == BandKind.GROUP_HEADING
                        && band + 1 < bands.size()
                        && begins(bands, band + 1);
                entries.add(new Entry(
                        addresses.of(node).toString(),
                        tree.depthOf(node),
                        printed.label(node),
                        printed.countsInWords(node),
                        result.pages().pageOf(table.index(), band),
                        result.pages().strips().stripOf(table.index(), band),
                        children));
            }
        }
    }

    private static boolean begins(Bands bands, int band) {
        return bands.kind(band) == BandKind.GROUP_HEADING || bands.kind(band) == BandKind.GROUP_LINE;
    }
}
