package org.grammatus.server.run;

import java.security.Principal;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.RunService;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.problem.NotFoundException;

/** A run is seen by the account that started it, and by nobody else. */
final class OwnRuns {

    private OwnRuns() {}

    static Run require(RunService runs, String id, Principal principal) {
        return runs.find(id)
                .filter(run -> run.owner().equals(principal.getName()))
                .orElseThrow(() -> new NotFoundException("This run is no longer kept; run the report again"));
    }

    static RunResult result(Run run) {
        return run.result()
                .orElseThrow(() -> new ConflictException(
                        run.progress().state().isOver()
                                ? "The run did not come to an end"
                                : "The run is not done yet"));
    }
}
