package org.grammatus.runs;

import org.grammatus.core.band.Bands;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.TablePlan;

/**
 * A table of a result.
 *
 * @param index among the result's tables
 * @param firstPlace how many groups stand before its own, the tables' roots included
 */
public record BlockResult(int index, int firstPlace, RunStages.Made made, Bands bands) {

    public TableResult grouped() {
        return made.grouping().grouped();
    }

    /** What its facts are made by. */
    public TablePlan plan() {
        return grouped().plan();
    }

    /** The facts with what stands behind them. */
    public GroupingStep.Result grouping() {
        return made.grouping();
    }

    /** How many groups it has, itself included. */
    public int places() {
        return grouped().tree().nodeCount();
    }
}
