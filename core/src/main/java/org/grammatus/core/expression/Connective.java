package org.grammatus.core.expression;

/** Joins two conditions. */
public enum Connective {
    AND,
    OR
}
