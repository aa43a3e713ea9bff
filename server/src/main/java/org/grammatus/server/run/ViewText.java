package org.grammatus.server.run;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.Report.Direction;
import org.grammatus.core.plan.ReaderView;
import org.grammatus.core.plan.ReaderView.Only;
import org.grammatus.core.plan.ReaderView.Sort;

/** A reader's view as addresses write it: {@code c-net:descending} to order by, {@code region:Lakeside} to narrow to. */
final class ViewText {

    private ViewText() {}

    static ReaderView parse(List<String> order, List<String> only) {
        return new ReaderView(
                order.stream().map(ViewText::sort).toList(),
                only.stream().map(ViewText::narrowed).toList());
    }

    private static Sort sort(String text) {
        int colon = text.indexOf(':');
        String column = colon < 0 ? text : text.substring(0, colon);
        boolean down = colon >= 0 && text.substring(colon + 1).equals("descending");
        return new Sort(column, down ? Direction.DESCENDING : Direction.ASCENDING);
    }

    private static Only narrowed(String text) {
        int colon = text.indexOf(':');
        return colon < 0
                ? new Only(text, Optional.empty())
                : new Only(text.substring(0, colon), Optional.of(text.substring(colon + 1)));
    }
}
