package org.grammatus.core.definition;

public enum BlockKind {
    BANDED
}
