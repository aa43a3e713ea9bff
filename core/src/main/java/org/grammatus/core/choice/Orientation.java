package org.grammatus.core.choice;

public enum Orientation {
    PORTRAIT,
    LANDSCAPE
}
