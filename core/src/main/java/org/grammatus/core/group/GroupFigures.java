package org.grammatus.core.group;

import java.util.List;
import org.grammatus.core.columnar.Column;

/**
 * The figures and values beside the groups of a table.
 *
 * @param totals by the plan's totals: values by node
 * @param counts by the plan's counted tables: rows by node
 * @param shared by depth, for levels whose groups are lines, and by the plan's columns: the value that all rows of a node share,
 *     NULL where they differ; empty for other depths
 * @param texts by depth: the values in its headings' and footers' texts
 */
public record GroupFigures(
        List<Column> totals, List<long[]> counts, List<List<Column>> shared, List<GroupTexts> texts) {}
