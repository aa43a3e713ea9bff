package org.grammatus.core.plan;

import org.grammatus.core.expression.Typed;

/**
 * An expression in a text at the edges of pages, over the rows that are printed on each.
 *
 * @param text as its author wrote it
 * @param format CLDR pattern
 */
public record PageFigure(String text, Typed value, String format) {}
