package org.grammatus.sources;

/**
 * The person for whom rows are read.
 *
 * @param name by which the person signs in
 */
public record Person(String name) {}
