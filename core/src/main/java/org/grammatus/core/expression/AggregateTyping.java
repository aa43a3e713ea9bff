package org.grammatus.core.expression;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.expression.Typing.Place;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/** Types aggregates, and those over a group that they name. */
final class AggregateTyping {

    private final Typing typing;
    private final StandingTyping standings;

    AggregateTyping(Typing typing) {
        this.typing = typing;
        this.standings = new StandingTyping(typing, this);
    }

    Typed over(Expression.Over o) {
        if (isCountOfAlike(o)) {
            return standings.alike(o);
        }
        int depth = depth(o.partition());
        Place place = typing.place();
        typing.stand(place == Place.CELL ? Place.SCOPE : place);
        Typed.Aggregate aggregate = aggregate(o.aggregate());
        typing.stand(place);
        return new Typed.Over(aggregate, around(depth), o.stepped().map(stepped -> steps(o.partition(), stepped)));
    }

    Typed standing(Expression.Standing s) {
        return standings.of(s);
    }

    /** Whether rows are counted that are alike in a field: it stands behind the levels that rows are counted in. */
    private boolean isCountOfAlike(Expression.Over o) {
        boolean countsRows = o.aggregate().function() == AggregateFunction.COUNT
                && o.aggregate().argument().isEmpty()
                && o.aggregate().filter().isEmpty()
                && o.stepped().isEmpty();
        if (!countsRows || o.partition().isEmpty() || typing.place() != Place.CELL) {
            return false;
        }
        List<Names.Level> levels = typing.names().levels();
        int last = o.partition().size() - 1;
        Expression.Name named = o.partition().get(last);
        return (last >= levels.size() || !isCalled(levels.get(last), named))
                && typing.names().field(named.name(), named.quoted()).isPresent();
    }

    /**
     * How deep the levels go that OVER names.
     *
     * @throws org.grammatus.core.problem.ProblemException if they are not the levels from the outermost down
     */
    int depth(List<Expression.Name> partition) {
        List<Names.Level> levels = typing.names().levels();
        for (int i = 0; i < partition.size(); i++) {
            Expression.Name named = partition.get(i);
            if (i >= levels.size() || !isCalled(levels.get(i), named)) {
                throw Typing.fault(named.position(), "found " + named.name() + ", expected " + partitions(levels));
            }
        }
        return partition.size();
    }

    /** The level at a depth; none for the whole report. */
    Optional<Names.Level> around(int depth) {
        return depth == 0
                ? Optional.empty()
                : Optional.of(typing.names().levels().get(depth - 1));
    }

    /** What is stepped over: in a row's cell the rows, elsewhere the groups of a level inside the partition. */
    Typed.Steps steps(List<Expression.Name> partition, Expression.Name stepped) {
        List<Names.Level> levels = typing.names().levels();
        List<Names.Level> allowed = new ArrayList<>();
        if (typing.place() == Place.CELL) {
            typing.names().rows().ifPresent(allowed::add);
        } else {
            allowed.addAll(levels.subList(partition.size(), levels.size()));
        }
        for (Names.Level level : allowed) {
            if (isCalled(level, stepped)) {
                return new Typed.Steps(
                        typing.place() == Place.CELL ? Optional.empty() : Optional.of(level.id()), level.name());
            }
        }
        throw Typing.fault(
                stepped.position(),
                "found " + stepped.name() + ", expected what is stepped over in printed order"
                        + (allowed.isEmpty()
                                ? ", and there is nothing here"
                                : ": "
                                        + allowed.stream()
                                                .map(level -> References.to(level.id()))
                                                .collect(Collectors.joining(" or "))));
    }

    private static boolean isCalled(Names.Level level, Expression.Name name) {
        return name.quoted() ? level.id().equals(name.name()) : level.id().equalsIgnoreCase(name.name());
    }

    private static String partitions(List<Names.Level> levels) {
        return (levels.isEmpty() ? "" : "one of ")
                + overs(levels)
                + (levels.isEmpty() ? ", since there are no levels here" : "");
    }

    /** What OVER can be among some levels, outermost first: the whole report, or a way down from the outermost. */
    static String overs(List<Names.Level> levels) {
        List<String> ways = new ArrayList<>(List.of("OVER ()"));
        for (int depth = 1; depth <= levels.size(); depth++) {
            ways.add(levels.subList(0, depth).stream()
                    .map(level -> References.to(level.id()))
                    .collect(Collectors.joining(", ", "OVER (PARTITION BY ", ")")));
        }
        return String.join(", ", ways);
    }

    Typed.Aggregate aggregate(Expression.Aggregate a) {
        if (typing.place() == Place.ROW) {
            throw Typing.fault(
                    a.position(), "an aggregate has no rows to work on here; it stands in a total or an order");
        }
        if (typing.place() == Place.CELL) {
            throw Typing.fault(
                    a.position(),
                    "an aggregate in a row's cell needs OVER, which says of which group: "
                            + overs(typing.names().levels()));
        }
        typing.stand(Place.ROW);
        try {
            Optional<Typed> argument = a.argument().map(typing::visit);
            Type input = argument.map(Typed::type).orElse(Type.INTEGER);
            Type type = switch (a.function()) {
                case COUNT -> Type.INTEGER;
                case SUM -> requireNumber(a, input);
                case AVG, MEDIAN -> {
                    requireNumber(a, input);
                    yield Type.decimal(Decimals.divisionScale(input.scale(), 0));
                }
                case MIN, MAX -> input;
                case FIRST, LAST -> {
                    if (a.distinct()) {
                        throw Typing.fault(
                                a.position(),
                                a.function() + " takes the value of one row, so DISTINCT says nothing; leave it out");
                    }
                    yield input;
                }
            };
            Optional<Typed> filter = a.filter().flatMap(typing::restriction);
            return new Typed.Aggregate(a.function(), a.distinct(), argument, filter, type);
        } finally {
            typing.stand(Place.SCOPE);
        }
    }

    private static Type requireNumber(Expression.Aggregate a, Type input) {
        if (!input.isNumber()) {
            throw Typing.fault(
                    a.argument().orElse(a).position(),
                    "found " + Typing.article(input) + ", expected a number for " + a.function());
        }
        return input;
    }
}
