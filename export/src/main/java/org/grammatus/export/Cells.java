package org.grammatus.export;

/** How texts are written that a spreadsheet would run as formulas. */
public enum Cells {
    /** As they are. */
    EXACT,
    /** Behind an apostrophe, so that a spreadsheet shows them instead. */
    PROTECTED
}
