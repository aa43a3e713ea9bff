package org.grammatus.core.expression;

/** Joins two conditions. */
public enum Connective {
    AND,
    OR;

    /** What joins the negations of two conditions to the negation of the whole. */
    Connective dual() {
        return this == AND ? OR : AND;
    }
}
