package org.grammatus.runs;

import java.util.List;
import org.grammatus.core.problem.Problem;

/**
 * The progress of a run at one moment.
 *
 * @param rowsRead rows read so far, over all tables; once done, the rows of the dataset
 * @param rowsKept rows that passed the filters; 0 until known
 * @param groups groups found; 0 until known
 * @param pages pages; 0 until known
 * @param problems why it failed, or what its reader should know
 */
public record RunProgress(RunState state, long rowsRead, long rowsKept, int groups, int pages, List<Problem> problems) {

    static final RunProgress WAITING = new RunProgress(RunState.WAITING, 0, 0, 0, 0, List.of());

    RunProgress with(RunState next) {
        return new RunProgress(next, rowsRead, rowsKept, groups, pages, problems);
    }

    RunProgress with(RunState next, List<Problem> found) {
        return new RunProgress(next, rowsRead, rowsKept, groups, pages, found);
    }
}
