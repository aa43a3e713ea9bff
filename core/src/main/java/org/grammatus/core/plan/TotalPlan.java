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
 * @param column id of the column it stands under
 * @param places by level id, with {@value TablePlan#REPORT} for the report
 */
public record TotalPlan(
        String id,
        String pointer,
        String text,
        Typed value,
        Shown shown,
        Optional<TablePlan.Comparison> comparison,
        Type type,
        String column,
        String format,
        Map<String, Place> places) {

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

    /**
     * Whether it is printed beside groups of a level; one that is printed nowhere stands for the whole report.
     *
     * @param level its id, or {@value TablePlan#REPORT}
     */
    public boolean standsAt(String level) {
        return places.isEmpty() ? level.equals(TablePlan.REPORT) : places.containsKey(level);
    }
}
