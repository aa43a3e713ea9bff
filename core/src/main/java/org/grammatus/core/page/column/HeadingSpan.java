package org.grammatus.core.page.column;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.plan.ColumnPlan;

/**
 * A heading over columns that stand beside each other.
 *
 * @param part id of the first of them
 * @param x its left edge
 */
public record HeadingSpan(String text, String part, int x, int width) {

    /** The headings over a table's columns, from left to right. */
    public static List<HeadingSpan> of(List<PrintedColumn> printed, ColumnLayout columns) {
        List<HeadingSpan> spans = new ArrayList<>();
        int count = printed.size();
        for (int first = 0; first < count; ) {
            ColumnPlan column = printed.get(first).plan();
            Optional<String> over = column.print().room().over();
            int last = first;
            while (over.isPresent()
                    && last + 1 < count
                    && printed.get(last + 1).plan().print().room().over().equals(over)) {
                last++;
            }
            if (over.isPresent()) {
                int left = columns.x()[first];
                spans.add(new HeadingSpan(over.get(), column.id(), left, columns.right(last) - left));
            }
            first = last + 1;
        }
        return List.copyOf(spans);
    }
}
