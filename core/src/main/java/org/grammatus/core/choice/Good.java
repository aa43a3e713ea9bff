package org.grammatus.core.choice;

/** Whether a rise or a fall of a key figure is good news. */
public enum Good {
    MORE,
    LESS
}
