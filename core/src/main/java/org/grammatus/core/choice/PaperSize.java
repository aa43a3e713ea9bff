package org.grammatus.core.choice;

/** Sizes of paper: those of ISO 216, and the usual ones of North America. Lengths are hundredths of a point. */
public enum PaperSize {
    A3("A3", 84_189, 119_055),
    A4("A4", 59_528, 84_189),
    A5("A5", 41_953, 59_528),
    B4("B4", 70_866, 100_063),
    B5("B5", 49_890, 70_866),
    LETTER("Letter", 61_200, 79_200),
    LEGAL("Legal", 61_200, 100_800),
    TABLOID("Tabloid", 79_200, 122_400);

    private final String word;
    private final int shorter;
    private final int longer;

    PaperSize(String word, int shorter, int longer) {
        this.word = word;
        this.shorter = shorter;
        this.longer = longer;
    }

    /** What it is called in documents. */
    public String word() {
        return word;
    }

    public int shorter() {
        return shorter;
    }

    public int longer() {
        return longer;
    }
}
