package org.grammatus.core.choice;

/** How marked rows look; each has a mark and a weight of its own besides its tint. */
public enum Look {
    ALERT,
    WATCH,
    NOTE
}
