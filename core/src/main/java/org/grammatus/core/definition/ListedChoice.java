package org.grammatus.core.definition;

/**
 * One of the choices that a prompt lists itself.
 *
 * @param value what it is in expressions
 * @param label what it is called
 */
public record ListedChoice(String value, String label) {}
