package org.grammatus.core.choice.layout;

import java.util.Optional;

/**
 * What stands at the edges of pages; usual where it says nothing.
 *
 * @param firstHeader above the first page; as on the others unless given
 * @param firstFooter below the first page, as below all unless given
 * @param <T> of its texts: as they are written, or read
 */
public record PageLines<T>(
        Optional<PageLine<T>> header,
        Optional<PageLine<T>> footer,
        Optional<PageLine<T>> firstHeader,
        Optional<PageLine<T>> firstFooter) {}
