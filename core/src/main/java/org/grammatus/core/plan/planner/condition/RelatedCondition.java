package org.grammatus.core.plan.planner.condition;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.expression.Comparator;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Expressions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/** The condition that looks for rows of another dataset: {@code EXISTS (SELECT * FROM d WHERE …)}. */
final class RelatedCondition {

    /** What the rows that are looked for are called where their dataset is called as those that are kept. */
    private static final String ALIAS = "related";

    private RelatedCondition() {}

    static Expression of(RelatedFilter related, FilterScope scope) {
        DatasetModel other = scope.datasets()
                .byId(related.dataset())
                .orElseThrow(() -> new ProblemException(Problem.error(
                        "/dataset", "unknown dataset \"" + related.dataset() + "\"; choose one that is there")));
        FilterScope there = scope.over(other);
        Expression.Name rows = Expressions.field(scope.rowName());
        List<Expression> where = new ArrayList<>();
        for (RelatedFilter.Key key : related.keys()) {
            where.add(Expressions.compare(
                    Expressions.field(key.field()),
                    Comparator.EQUAL,
                    new Expression.Qualified(rows, Expressions.field(key.of()), Expressions.NOWHERE)));
        }
        for (ReportFilter part : related.filters().orElse(List.of())) {
            if (part.restricts()) {
                where.add(FilterCondition.of(part, there));
            }
        }
        boolean sameName = related.dataset().equals(scope.rowName());
        Expression exists = new Expression.Exists(
                Expressions.field(related.dataset()),
                sameName ? Optional.of(Expressions.field(ALIAS)) : Optional.empty(),
                Expressions.all(where),
                related.least().flatMap(least -> related.counted()).map(Expressions::field),
                related.least().orElse(1),
                Expressions.NOWHERE);
        return related.kind() == FilterKind.HAS_NONE ? Expressions.not(exists) : exists;
    }
}
