package org.grammatus.core.plan.planner.condition;

import static org.grammatus.core.expression.Expressions.isNull;
import static org.grammatus.core.expression.Expressions.not;
import static org.grammatus.core.expression.Expressions.or;

import java.util.List;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.expression.Expressions;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/**
 * The condition that a filter stands for. A built filter becomes an expression without being written down; what is wrong with it has a
 * JSON pointer into the filter.
 */
public final class FilterCondition {

    private FilterCondition() {}

    /**
     * The condition of a filter.
     *
     * @throws ProblemException if a value does not fit the field, or a typed one cannot be parsed
     */
    public static Expression of(ReportFilter filter, FilterScope scope) {
        return switch (filter) {
            case ReportFilter.Typed typed -> parsed(typed, scope);
            case ReportFilter.OfPeriod asked -> AskedPeriod.contains(Expressions.field(asked.field()), asked.prompt());
            case ReportFilter.Condition built when !built.hasOperand() -> Expressions.truth(true);
            case ReportFilter.Condition built -> ComparisonCondition.of(built, scope);
            case ReportFilter.Several several -> several(several, scope, false);
            case ReportFilter.Top top -> Expressions.truth(true);
            case RelatedFilter related -> RelatedCondition.of(related, scope);
        };
    }

    /**
     * The condition of a filter as people read it; of a typed one, as it was written.
     *
     * @throws ProblemException likewise
     */
    public static String text(ReportFilter filter, FilterScope scope) {
        return filter instanceof ReportFilter.Typed typed ? typed.where() : ExpressionPrinter.print(of(filter, scope));
    }

    /**
     * The condition of the rows that a filter drops. A built filter drops whatever does not meet it, blanks among it, so that its exclusion
     * keeps them; what is typed keeps the logic of SQL.
     */
    public static Expression excluded(ReportFilter filter, FilterScope scope) {
        return switch (filter) {
            case ReportFilter.Typed typed -> not(parsed(typed, scope));
            case ReportFilter.OfPeriod asked -> {
                // One condition, of which an open end stays unbounded where it is turned round.
                Expression field = Expressions.field(asked.field());
                Expression day = scope.typeOf(asked.field()).kind() == Kind.TIMESTAMP
                        ? new Expression.Cast(field, Type.DATE, Expressions.NOWHERE)
                        : field;
                yield or(AskedPeriod.between(true, day, asked.prompt()), isNull(field));
            }
            case ReportFilter.Condition built when !built.hasOperand() -> Expressions.truth(true);
            case ReportFilter.Condition built -> ComparisonCondition.excluded(built, scope);
            case ReportFilter.Several several -> several(several, scope, true);
            case ReportFilter.Top top -> Expressions.truth(true);
            case RelatedFilter related -> not(RelatedCondition.of(related, scope));
        };
    }

    /** Faults keep their position in the text that was typed. */
    private static Expression parsed(ReportFilter.Typed typed, FilterScope scope) {
        return ExpressionParser.parse(typed.where(), scope.fieldLabels());
    }

    /** All, any or none of the parts that are switched on; without any, nothing is restricted. */
    private static Expression several(ReportFilter.Several several, FilterScope scope, boolean excluded) {
        boolean eachExcluded = several.kind() == FilterKind.NONE != excluded;
        boolean all = several.kind() != FilterKind.ANY != excluded;
        List<Expression> parts = several.filters().stream()
                .filter(ReportFilter::restricts)
                .map(part -> eachExcluded ? excluded(part, scope) : of(part, scope))
                .toList();
        return all ? Expressions.all(parts) : Expressions.any(parts);
    }
}
