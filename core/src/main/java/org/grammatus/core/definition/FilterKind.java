package org.grammatus.core.definition;

public enum FilterKind {
    PERIOD,
    CONDITION,
    EXPRESSION
}
