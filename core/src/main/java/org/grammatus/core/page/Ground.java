package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.grammatus.core.plan.style.Picture;

/** What is drawn on a sheet besides texts: lines, and coloured grounds. Places are from the left edge of the block that is put on it. */
final class Ground {

    /** Inks of lines among the page's: the usual one, and that of the lines below rows. */
    private static final int USUAL = 0;

    private static final int OF_ROWS = 1;

    private final List<Page.Rule> rules = new ArrayList<>();
    private final List<Page.Fill> fills = new ArrayList<>();
    private final List<Page.PictureBox> pictures = new ArrayList<>();
    private final Map<String, Integer> colours = new LinkedHashMap<>();
    private BlockPlace block;

    /** From now on things are drawn that belong to a block. */
    void begin(BlockPlace next) {
        block = next;
    }

    /** Draws a line, unless it has no thickness. */
    void rule(int x, int y, int width, int thickness) {
        rule(x, y, width, thickness, USUAL);
    }

    /** Draws the line below a row likewise, in its own ink. */
    void rowRule(int x, int y, int width, int thickness) {
        rule(x, y, width, thickness, OF_ROWS);
    }

    private void rule(int x, int y, int width, int thickness, int ink) {
        if (thickness > 0) {
            rules.add(new Page.Rule(block.left() + x, y, width, thickness, ink));
        }
    }

    /** Colours a ground, as {@code #rrggbb}. */
    void fill(int x, int top, int width, int bottom, String colour) {
        int index = colours.computeIfAbsent(colour, key -> colours.size());
        fills.add(new Page.Fill(block.left() + x, top, width, bottom - top, index));
    }

    void picture(Picture picture, int x, int top) {
        pictures.add(new Page.PictureBox(block.left() + x, top, picture));
    }

    List<Page.PictureBox> pictures() {
        return List.copyOf(pictures);
    }

    List<String> colours() {
        return List.copyOf(colours.keySet());
    }

    List<Page.Rule> rules() {
        return List.copyOf(rules);
    }

    List<Page.Fill> fills() {
        return List.copyOf(fills);
    }
}
