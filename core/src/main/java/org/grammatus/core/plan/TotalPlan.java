package org.grammatus.core.plan;

import java.util.Map;
import java.util.Optional;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Type;

/**
 * A total.
 *
 * @param pointer where it stands in the definition
 * @param text the aggregate as its author wrote it
 * @param shown what is made of the value
 * @param comparison what the value is compared with
 * @param type of what is printed
 * @param column index of the column it stands under
 * @param places by level index, with {@value #REPORT_LEVEL} for the report
 */
public record TotalPlan(
        String id,
        String pointer,
        String text,
        Typed value,
        Shown shown,
        Optional<TablePlan.Comparison> comparison,
        Type type,
        int column,
        String format,
        Map<Integer, Place> places) {

    /** Stands for the report where a level's index is asked for. */
    public static final int REPORT_LEVEL = -1;

    /** The same total without what only printing needs. */
    TotalPlan unprinted() {
        return new TotalPlan(id, pointer, "", value, shown, comparison, type, column, "", places);
    }

    /** Whether it is of the value's own kind, not a percentage or a place. */
    public boolean isAmount() {
        return comparison
                .map(c -> c.shown() != Compared.PERCENT)
                .orElse(
                        switch (shown) {
                            case VALUE, RUNNING_IN_PARENT, RUNNING_IN_REPORT, CHANGE -> true;
                            case SHARE_OF_PARENT, SHARE_OF_REPORT, CHANGE_PERCENT, RANK -> false;
                        });
    }

    /** Whether it can be carried from page to page: it is what it adds up, not what that is among others. */
    public boolean isCarried() {
        return shown == Shown.VALUE && comparison.isEmpty();
    }

    /** Whether it is printed beside groups of a depth; one without a place stands for the whole report. */
    public boolean standsAt(int depth) {
        return places.isEmpty() ? depth == 0 : places.containsKey(depth - 1);
    }

    /** Depth of the innermost groups beside which it stands; none where it stands nowhere. */
    public Optional<Integer> deepestPlace() {
        return places.keySet().stream().map(level -> level + 1).max(Integer::compare);
    }
}
