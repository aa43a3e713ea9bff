package org.grammatus.sources;

import org.grammatus.core.value.Scalar;

/**
 * A figure as a source computes it.
 *
 * @param source what the source is called
 * @param statement that it was asked, as people read it
 */
public record SourceFigure(String source, String statement, Scalar value) {}
