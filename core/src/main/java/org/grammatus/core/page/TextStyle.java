package org.grammatus.core.page;

import org.grammatus.core.typography.Face;

/** How the texts of a page look, before the report is fitted to its paper. Sizes in hundredths of a point. */
public enum TextStyle {
    TITLE(Face.SEMIBOLD, 1700, Tone.INK),
    SUBTITLE(Face.REGULAR, 900, Tone.MUTED),
    PAGE_MARGIN(Face.REGULAR, 800, Tone.MUTED),
    COLUMN_HEADING(Face.SEMIBOLD, 850, Tone.INK),
    HEADING_1(Face.SEMIBOLD, 1250, Tone.INK),
    HEADING_2(Face.SEMIBOLD, 1050, Tone.INK),
    HEADING_3(Face.SEMIBOLD, 950, Tone.INK),
    CELL(Face.REGULAR, 900, Tone.INK),
    STRONG_CELL(Face.SEMIBOLD, 900, Tone.INK),
    TOTAL(Face.SEMIBOLD, 900, Tone.INK),
    COUNTS(Face.REGULAR, 900, Tone.MUTED),
    GRAND_TOTAL(Face.SEMIBOLD, 1000, Tone.INK),
    BLOCK_TITLE(Face.SEMIBOLD, 1250, Tone.INK),
    FIGURE(Face.SEMIBOLD, 1900, Tone.INK),
    FIGURE_LABEL(Face.REGULAR, 900, Tone.INK),
    FIGURE_NOTE(Face.REGULAR, 850, Tone.MUTED),
    LARGE_TEXT(Face.REGULAR, 1300, Tone.INK),
    NORMAL_TEXT(Face.REGULAR, 1000, Tone.INK),
    SMALL_TEXT(Face.REGULAR, 800, Tone.INK);

    /** Ink, or a quieter one for what stands beside. */
    public enum Tone {
        INK,
        MUTED
    }

    private final Face face;
    private final int size;
    private final Tone tone;

    TextStyle(Face face, int size, Tone tone) {
        this.face = face;
        this.size = size;
        this.tone = tone;
    }

    public Face face() {
        return face;
    }

    public int size() {
        return size;
    }

    public Tone tone() {
        return tone;
    }

    static TextStyle heading(int depth) {
        return depth <= 1 ? HEADING_1 : depth == 2 ? HEADING_2 : HEADING_3;
    }
}
