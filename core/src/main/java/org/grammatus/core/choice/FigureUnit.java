package org.grammatus.core.choice;

/** The unit in which figures are printed: ones, thousands or millions. */
public enum FigureUnit {
    THOUSANDS(3),
    MILLIONS(6);

    private final int digits;

    FigureUnit(int digits) {
        this.digits = digits;
    }

    /** How many digits before the point it leaves out. */
    public int digits() {
        return digits;
    }
}
