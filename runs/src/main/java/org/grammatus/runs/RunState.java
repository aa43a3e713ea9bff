package org.grammatus.runs;

/** How far a run is. */
public enum RunState {
    WAITING,
    READING,
    GROUPING,
    DONE,
    FAILED,
    CANCELLED;

    public boolean isOver() {
        return this == DONE || this == FAILED || this == CANCELLED;
    }
}
