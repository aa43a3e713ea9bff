package org.grammatus.core.expression;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** Types what is one of several values: CASE and COALESCE. */
final class ChoiceTyping {

    private final Typing typing;

    ChoiceTyping(Typing typing) {
        this.typing = typing;
    }

    Typed coalesce(Expression.Coalesce c) {
        List<Typed> values = c.values().stream().map(typing::visit).toList();
        Type type = commonType(values, c.values());
        List<Typed> typed =
                values.stream().map(value -> Typing.nullOf(value, type)).toList();
        List<Typed.Branch> branches = typed.subList(0, typed.size() - 1).stream()
                .map(value -> new Typed.Branch(new Typed.Not(new Typed.IsNull(value)), value))
                .toList();
        return new Typed.CaseWhen(branches, Optional.of(typed.getLast()), type);
    }

    Typed choice(Expression.Case c) {
        List<Typed.Branch> branches = new ArrayList<>();
        List<Expression> results = new ArrayList<>();
        for (Expression.When when : c.whens()) {
            Typed condition = c.subject().isPresent()
                    ? typing.compare(Comparator.EQUAL, c.subject().get(), when.condition())
                    : typing.condition(when.condition());
            branches.add(new Typed.Branch(condition, typing.visit(when.result())));
            results.add(when.result());
        }
        Optional<Typed> otherwise = c.otherwise().map(typing::visit);
        c.otherwise().ifPresent(results::add);
        List<Typed> values =
                new ArrayList<>(branches.stream().map(Typed.Branch::result).toList());
        otherwise.ifPresent(values::add);
        Type type = commonType(values, results);
        List<Typed.Branch> typed = branches.stream()
                .map(b -> new Typed.Branch(b.condition(), Typing.nullOf(b.result(), type)))
                .toList();
        return new Typed.CaseWhen(typed, otherwise.map(value -> Typing.nullOf(value, type)), type);
    }

    /** The one type that all results have; numbers meet at the larger scale. */
    private static Type commonType(List<Typed> values, List<Expression> written) {
        Type common = null;
        for (int i = 0; i < values.size(); i++) {
            Type type = values.get(i).type();
            if (Typing.isNull(values.get(i))) {
                continue;
            }
            if (common == null) {
                common = type;
            } else if (common.isNumber() && type.isNumber()) {
                common = common.kind() == Kind.INTEGER && type.kind() == Kind.INTEGER
                        ? Type.INTEGER
                        : Type.decimal(Math.max(common.scale(), type.scale()));
            } else if (common.kind() != type.kind()) {
                throw Typing.fault(
                        written.get(i).position(),
                        "found " + Typing.article(type) + ", expected " + Typing.article(common)
                                + " as in the results before");
            }
        }
        return common == null ? Type.TEXT : common;
    }
}
