package org.grammatus.core.choice;

/** What is made of an aggregate once the groups stand in order. */
public enum Shown {
    VALUE,
    SHARE_OF_PARENT,
    SHARE_OF_REPORT,
    RUNNING_IN_PARENT,
    RUNNING_IN_REPORT,
    RANK,
    CHANGE,
    CHANGE_PERCENT
}
