package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Names;

/**
 * What rows are divided by in one direction of a table: its levels with their keys, orders and limits, and the rows inside the innermost
 * of them. Groups are made along an axis, and know nothing else of the table. A table has one, down.
 *
 * @param pointer where the table stands in the definition
 * @param dataset what the rows are of
 * @param levels the levels that are switched on, outermost first
 * @param rows the order and the limit of the rows inside the innermost groups
 * @param locale in whose order texts come
 */
public record Axis(String pointer, DatasetModel dataset, List<LevelPlan> levels, RowsPlan rows, ULocale locale) {

    public Axis {
        levels = List.copyOf(levels);
    }

    /** How many depths there are: the report and each level. */
    public int depths() {
        return levels.size() + 1;
    }

    /** The level of the groups of a depth from 1. */
    public LevelPlan level(int depth) {
        return levels.get(depth - 1);
    }

    /** The depth of a level's groups: 1 for the outermost. */
    public int depthOf(String level) {
        for (int depth = 1; depth < depths(); depth++) {
            if (level(depth).id().equals(level)) {
                return depth;
            }
        }
        throw new IllegalArgumentException("There is no level " + level);
    }

    /** The depth of the groups of a level around; 0 for the whole report. */
    public int depthOf(Optional<Names.Level> around) {
        return around.map(level -> depthOf(level.id())).orElse(0);
    }

    /** One level by itself, whatever stands around it. */
    public Axis alone(int depth) {
        return new Axis(pointer, dataset, List.of(level(depth)), rows, locale);
    }
}
