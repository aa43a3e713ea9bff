package org.grammatus.core.choice;

public enum Direction {
    ASCENDING,
    DESCENDING
}
