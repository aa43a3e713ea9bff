package org.grammatus.core.choice;

public enum Place {
    HEADER,
    FOOTER
}
