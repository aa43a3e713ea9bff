package org.grammatus.core.choice;

/** How large a paragraph is printed. */
public enum TextSize {
    LARGE,
    NORMAL,
    SMALL
}
