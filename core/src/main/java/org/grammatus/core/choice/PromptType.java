package org.grammatus.core.choice;

public enum PromptType {
    PERIOD,
    CHOICE
}
