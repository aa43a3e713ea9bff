package org.grammatus.core.group;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.columnar.Column;

/**
 * The values in the texts of one level's headings and footers, piece by piece as the plan has them. A piece computed over
 * groups has its values by node, one read from a row by node within the depth; a piece without a value has none.
 */
public record GroupTexts(List<Optional<Column>> header, List<Optional<Column>> footer) {}
