package org.grammatus.core.choice;

public enum PaperSize {
    A4,
    LETTER
}
