package org.grammatus.core.choice;

/** Which change of a figure is welcome. */
public enum Good {
    MORE,
    LESS
}
