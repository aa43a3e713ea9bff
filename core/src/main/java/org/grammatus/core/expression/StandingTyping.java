package org.grammatus.core.expression;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.expression.Typing.Place;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/** Types where rows and groups stand among others: ranks, what is printed before, how many are alike. */
final class StandingTyping {

    private final Typing typing;
    private final AggregateTyping aggregates;

    StandingTyping(Typing typing, AggregateTyping aggregates) {
        this.typing = typing;
        this.aggregates = aggregates;
    }

    Typed of(Expression.Standing s) {
        if (typing.place() == Place.ROW) {
            throw Typing.fault(
                    s.position(),
                    s.function() + " is of what is printed; it stands in a column, a total or a highlight");
        }
        int depth = aggregates.depth(s.partition());
        Typed.Steps steps = steps(s, depth);
        Typed value = typing.visit(s.value());
        Type type = switch (s.function()) {
            case RANK -> Type.INTEGER;
            case CUME_DIST -> Type.decimal(Decimals.divisionScale(0, 0));
            case LAG -> value.type();
            case ALIKE -> throw new IllegalStateException("It is written as COUNT(*)");
        };
        if (s.function() != StandingFunction.LAG && value.type().equals(Type.TEXT)) {
            throw Typing.fault(s.value().position(), "found a text, expected a number or a date for " + s.function());
        }
        return new Typed.WindowFunction(s.function(), value, aggregates.around(depth), steps, s.descending(), type);
    }

    /** How many rows of the group have what the last name stands for. */
    Typed alike(Expression.Over o) {
        List<Expression.Name> levels = o.partition().subList(0, o.partition().size() - 1);
        int depth = aggregates.depth(levels);
        Typed value = typing.visit(o.partition().getLast());
        return new Typed.WindowFunction(
                StandingFunction.ALIKE, value, aggregates.around(depth), rows(), false, Type.INTEGER);
    }

    /** In a row's cell rows are ranked, elsewhere the groups of the level that comes next. */
    private Typed.Steps steps(Expression.Standing s, int depth) {
        if (s.function() == StandingFunction.LAG) {
            Optional<Expression.Name> stepped = s.stepped();
            return aggregates.steps(
                    s.partition(),
                    stepped.orElseThrow(() -> Typing.fault(
                            s.position(), "LAG needs ORDER BY, which says what is stepped over in printed order")));
        }
        List<Names.Level> levels = typing.names().levels();
        if (typing.place() == Place.CELL) {
            return rows();
        }
        if (depth >= levels.size()) {
            throw Typing.fault(
                    s.position(),
                    s.function() + " ranks the groups inside a group, and there are none inside this one");
        }
        return new Typed.Steps(
                Optional.of(levels.get(depth).id()), levels.get(depth).name());
    }

    private Typed.Steps rows() {
        return new Typed.Steps(
                Optional.empty(), typing.names().rows().map(Names.Level::name).orElse(""));
    }
}
