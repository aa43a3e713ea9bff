package org.grammatus.core.band;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.choice.Place;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;

/** Where totals stand under the printed columns, worked out once for all groups. Totals are given by their index in the plan. */
final class TotalGrid {

    private final List<PrintedColumn> columnOfTotal = new ArrayList<>();
    /** By depth, place and position of the column. */
    private final List<Map<Place, List<Optional<Integer>>>> totals = new ArrayList<>();

    TotalGrid(TablePlan plan, List<PrintedColumn> columns) {
        for (TotalPlan total : plan.totals()) {
            columnOfTotal.add(columns.get(plan.columns().indexOf(plan.columnOf(total))));
        }
        for (int depth = 0; depth <= plan.levels().size(); depth++) {
            Map<Place, List<Optional<Integer>>> byPlace = new EnumMap<>(Place.class);
            for (Place place : Place.values()) {
                byPlace.put(place, new ArrayList<>(Collections.nCopies(columns.size(), Optional.empty())));
            }
            for (int total = 0; total < columnOfTotal.size(); total++) {
                Place place = plan.totals().get(total).places().get(plan.levelAt(depth));
                if (place != null) {
                    byPlace.get(place).set(columnOfTotal.get(total).position(), Optional.of(total));
                }
            }
            totals.add(byPlace);
        }
    }

    /** The column that a total stands under. */
    PrintedColumn columnOf(int total) {
        return columnOfTotal.get(total);
    }

    /** The total in a column of the header or footer of groups of a depth. */
    Optional<Integer> at(int depth, Place place, PrintedColumn column) {
        return totals.get(depth).get(place).get(column.position());
    }
}
