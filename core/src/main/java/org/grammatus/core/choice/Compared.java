package org.grammatus.core.choice;

public enum Compared {
    FIGURE,
    DIFFERENCE,
    PERCENT
}
