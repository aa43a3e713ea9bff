package org.grammatus.core.edit.part;

import java.util.List;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.TableBlock;

/** The columns of a table, with what goes with them. */
public final class TableColumns {

    private TableColumns() {}

    /** The table without columns, the totals under them and what marks a cell of theirs. */
    public static TableBlock without(TableBlock table, List<String> ids) {
        return table.withColumns(table.columns().stream()
                        .filter(column -> !ids.contains(column.id()))
                        .toList())
                .withTotals(table.totals().stream()
                        .filter(total -> !ids.contains(total.column()))
                        .toList())
                .withHighlights(table.highlights().stream()
                        .filter(rule -> rule.reach()
                                .flatMap(ReportHighlight.Place::column)
                                .filter(ids::contains)
                                .isEmpty())
                        .toList());
    }
}
