package org.grammatus.core.plan.planner;

import java.util.List;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;

/** Names outside expressions that must lead somewhere. */
final class Known {

    private Known() {}

    /** Whether a field or calculated field is there; notes it if not. */
    static boolean field(String pointer, String field, DatasetModel dataset, Problems problems) {
        List<String> names = dataset.rowNames();
        if (!names.contains(field)) {
            problems.error(pointer, "unknown field \"" + field + "\"" + Suggestion.inWords(field, names));
        }
        return names.contains(field);
    }
}
