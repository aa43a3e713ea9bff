package org.grammatus.core.choice.layout;

import java.util.Optional;

/**
 * A line at an edge of the page, with names in braces.
 *
 * @param <T> of its texts: as they are written, or read
 */
public record PageLine<T>(Optional<T> start, Optional<T> centre, Optional<T> end) {}
