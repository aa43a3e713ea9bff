package org.grammatus.core.choice;

/** How figures below zero are told apart. Each is legible without colour. */
public enum Negative {
    MINUS,
    BRACKETS,
    /** In an ink of its own, with a minus. */
    RED
}
