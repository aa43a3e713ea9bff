package org.grammatus.core.definition;

/** How a condition compares its field. Exclusions keep rows in which the field is blank. */
public enum FilterComparison {
    IS,
    IS_NOT,
    LESS,
    AT_MOST,
    MORE,
    AT_LEAST,
    BETWEEN,
    CONTAINS,
    DOES_NOT_CONTAIN,
    STARTS_WITH,
    BLANK,
    NOT_BLANK
}
