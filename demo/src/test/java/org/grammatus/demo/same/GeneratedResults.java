package org.grammatus.demo.same;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.runs.RunResult;

/** Results of generated reports that fit their paper. */
final class GeneratedResults {

    private GeneratedResults() {}

    /** Those of so many seeds from one on; most of them can be run. */
    static List<RunResult> of(int from, int seeds) {
        List<RunResult> results = new ArrayList<>();
        for (int seed = from; seed < from + seeds; seed++) {
            try {
                RunResult result = SameResultsTest.generated(seed);
                if (result.pageCount() > 0) {
                    results.add(result);
                }
            } catch (ProblemException e) {
                // One that cannot be run is written down as such beside the others.
            }
        }
        assertThat(results).hasSizeGreaterThan(seeds / 2);
        return results;
    }
}
