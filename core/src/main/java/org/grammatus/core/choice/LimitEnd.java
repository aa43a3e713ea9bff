package org.grammatus.core.choice;

public enum LimitEnd {
    LARGEST,
    SMALLEST
}
