package org.grammatus.core.choice;

/** Where figures are rounded. */
public enum Rounding {
    /** Only where they are printed: totals are exact. */
    PRINTED,
    /** At the deepest place that prints them: totals add what is printed. */
    EACH_LINE
}
