package org.grammatus.core.expression;

import static org.grammatus.core.expression.Typing.article;
import static org.grammatus.core.expression.Typing.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Type;

/**
 * Types {@code EXISTS}: rows of another dataset belong to a row where their keys are equal. Inside, a name by itself is one of the other
 * rows, as in SQL; the row that is kept is told by the name of its grain before the point. What is restricted there by a prompt without an
 * answer is not restricted, while {@code EXISTS} itself stays.
 */
final class ExistsTyping {

    private final Typing typing;
    private final Expression.Exists exists;
    private final Typing inside;
    private final List<Typed> keys = new ArrayList<>();
    private final List<Typed> otherKeys = new ArrayList<>();

    private ExistsTyping(Typing typing, Expression.Exists exists, Names there) {
        this.typing = typing;
        this.exists = exists;
        this.inside =
                new Typing(there, Typing.Place.ROW, Optional.of(exists.called().name()));
    }

    static Typed of(Expression.Exists exists, Typing typing) {
        Names names = typing.names();
        if (names.rowName().isEmpty() || typing.place() != Typing.Place.ROW) {
            throw fault(
                    exists.position(), "EXISTS looks for rows that belong to a row, so it stands in filters of rows");
        }
        String dataset = exists.dataset().name();
        Names there = names.related(dataset)
                .orElseThrow(() -> fault(
                        exists.dataset().position(),
                        "unknown dataset \"" + dataset + "\"" + Suggestion.inWords(dataset, names.relatedDatasets())));
        return new ExistsTyping(typing, exists, there).typed();
    }

    private Typed typed() {
        List<Expression> own = new ArrayList<>();
        conjuncts(exists.where()).forEach(part -> {
            if (readsOutside(part)) {
                key(part);
            } else {
                own.add(part);
            }
        });
        if (keys.isEmpty()) {
            throw fault(
                    exists.where().position(),
                    "says not which rows belong together; add an equality of keys, such as key = "
                            + typing.names().rowName().orElseThrow() + ".key");
        }
        Optional<Typed> condition = own.stream()
                .reduce((left, right) -> new Expression.Logic(Connective.AND, left, right, left.position()))
                .flatMap(inside::restriction);
        return new Typed.SemiJoin(
                exists.dataset().name(),
                keys,
                otherKeys,
                condition,
                exists.counted().map(inside::visit),
                exists.least());
    }

    private static List<Expression> conjuncts(Expression e) {
        if (e instanceof Expression.Logic l && l.connective() == Connective.AND) {
            List<Expression> all = new ArrayList<>(conjuncts(l.left()));
            all.addAll(conjuncts(l.right()));
            return all;
        }
        return List.of(e);
    }

    private boolean readsOutside(Expression e) {
        return e instanceof Expression.Qualified q
                ? !q.rows().name().equals(exists.called().name())
                : e.anyOperand(this::readsOutside);
    }

    /** An equality of something of the other rows with something of the row that is kept. */
    private void key(Expression part) {
        if (!(part instanceof Expression.Compare c)
                || c.operator() != Comparator.EQUAL
                || readsOutside(c.left()) == readsOutside(c.right())) {
            throw fault(
                    part.position(),
                    "rows belong together by equal keys alone: one side of = from \""
                            + exists.called().name() + "\", the other from \""
                            + typing.names().rowName().orElseThrow() + "\"");
        }
        boolean leftOutside = readsOutside(c.left());
        Expression outer = leftOutside ? c.left() : c.right();
        Typed key = typing.visit(outer);
        Typed otherKey = inside.visit(leftOutside ? c.right() : c.left());
        if (!alike(key.type(), otherKey.type())) {
            throw fault(
                    part.position(),
                    "found " + article(otherKey.type()) + " and " + article(key.type())
                            + ", expected keys of one type");
        }
        keys.add(key);
        otherKeys.add(otherKey);
    }

    private static boolean alike(Type a, Type b) {
        return a.kind() == b.kind() || a.isNumber() && b.isNumber();
    }
}
