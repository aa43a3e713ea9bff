package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.expression.References;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/** The expression that looks for rows of another dataset: {@code EXISTS (SELECT * FROM d WHERE …)}. */
final class RelatedText {

    /** What the rows that are looked for are called where their dataset is called as those that are kept. */
    private static final String ALIAS = "related";

    private RelatedText() {}

    static String of(RelatedFilter related, FilterScope scope) {
        DatasetModel other = scope.datasets()
                .byId(related.dataset())
                .orElseThrow(() -> new ProblemException(Problem.error(
                        "/dataset", "unknown dataset \"" + related.dataset() + "\"; choose one that is there")));
        FilterScope there = scope.over(other);
        List<String> where = new ArrayList<>();
        for (RelatedFilter.Key key : related.keys()) {
            where.add(FilterText.quotedName(key.field()) + " = " + References.to(scope.rowName()) + "."
                    + FilterText.quotedName(key.of()));
        }
        for (ReportFilter part : related.filters().orElse(List.of())) {
            if (!part.isOff()) {
                where.add("(" + FilterText.of(part, there) + ")");
            }
        }
        String alias = related.dataset().equals(scope.rowName()) ? " AS " + ALIAS : "";
        String counted = related.counted()
                .map(field -> "DISTINCT " + FilterText.quotedName(field))
                .orElse("*");
        Optional<String> having = related.least()
                .filter(least -> least > 1 || related.counted().isPresent())
                .map(least -> " HAVING COUNT(" + counted + ") >= " + least);
        return (related.kind() == FilterKind.HAS_NONE ? "NOT " : "") + "EXISTS (SELECT * FROM "
                + References.to(related.dataset()) + alias + " WHERE " + String.join(" AND ", where)
                + having.orElse("") + ")";
    }
}
