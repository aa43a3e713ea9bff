package org.grammatus.core.choice;

/** What a paragraph is for. */
public enum ParagraphKind {
    /** Something to read. */
    WORDS,
    /** A line to sign on, with a word below it. */
    SIGNATURE,
    /** Empty ruled lines to write on. */
    LINES
}
