package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.page.Pages;
import org.grammatus.core.problem.Problem;

/** What a run made: the logical result and its pages. Thread-safe. */
public record RunResult(Grouped grouped, Pages pages) {

    /** What the reader should know of the definition and of figures that could not be computed. */
    public List<Problem> notices() {
        List<Problem> notices = new ArrayList<>(grouped.plan().notices());
        notices.addAll(grouped.notices());
        return notices;
    }
}
