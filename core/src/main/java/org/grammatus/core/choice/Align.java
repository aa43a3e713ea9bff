package org.grammatus.core.choice;

public enum Align {
    START,
    CENTRE,
    END
}
