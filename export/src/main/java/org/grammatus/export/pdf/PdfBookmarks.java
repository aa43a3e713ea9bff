package org.grammatus.export.pdf;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.grammatus.core.page.Page;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfDestination;
import org.openpdf.text.pdf.PdfOutline;

/** A bookmark for each group with a heading, and for each titled block where there are several. */
final class PdfBookmarks {

    /** By block, then by depth: the last bookmark there. */
    private final Map<Integer, Map<Integer, PdfOutline>> outlines = new HashMap<>();

    private final Set<Integer> bookmarked = new HashSet<>();

    void add(Page page, PdfContentByte content) {
        for (Page.BandBox band : page.bands()) {
            Page.Node node = page.nodes().get(band.node());
            boolean block = page.parts().blocks().size() > 1 && band.role() == Page.BandRole.BLOCK_TITLE;
            if (!block && band.role() != Page.BandRole.HEADING || !bookmarked.add(node.place())) {
                continue;
            }
            Map<Integer, PdfOutline> outlineAtDepth = outlines.computeIfAbsent(band.block(), key -> new HashMap<>());
            outlineAtDepth.keySet().removeIf(depth -> depth >= node.depth());
            PdfOutline parent = content.getRootOutline();
            for (int depth = node.depth() - 1; depth >= 0; depth--) {
                if (outlineAtDepth.containsKey(depth)) {
                    parent = outlineAtDepth.get(depth);
                    break;
                }
            }
            PdfDestination destination = new PdfDestination(PdfDestination.XYZ, -1, PdfPainter.up(page, band.top()), 0);
            outlineAtDepth.put(node.depth(), new PdfOutline(parent, destination, node.label(), false));
        }
    }
}
