package org.grammatus.runs;

/** The states of a run. */
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
