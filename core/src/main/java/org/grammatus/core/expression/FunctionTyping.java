package org.grammatus.core.expression;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** Types functions, casts and extracts; their operands are typed where the whole expression is. */
final class FunctionTyping {

    private final Typing typing;

    FunctionTyping(Typing typing) {
        this.typing = typing;
    }

    Typed call(Expression.Call c) {
        List<Expression> arguments = c.arguments();
        return switch (c.function()) {
            case UPPER, LOWER, TRIM -> new Typed.Call(c.function(), List.of(typing.text(arguments.get(0))), Type.TEXT);
            case CHAR_LENGTH -> new Typed.Call(c.function(), List.of(typing.text(arguments.get(0))), Type.INTEGER);
            case POSITION ->
                new Typed.Call(
                        c.function(),
                        List.of(typing.text(arguments.get(0)), typing.text(arguments.get(1))),
                        Type.INTEGER);
            case SUBSTRING -> {
                List<Typed> typed = new ArrayList<>(List.of(typing.text(arguments.get(0))));
                arguments.stream().skip(1).forEach(argument -> typed.add(whole(argument)));
                yield new Typed.Call(c.function(), List.copyOf(typed), Type.TEXT);
            }
            case ABS -> {
                Typed number = typing.number(arguments.getFirst());
                yield new Typed.Call(c.function(), List.of(number), number.type());
            }
            case FLOOR, CEILING ->
                new Typed.Call(c.function(), List.of(typing.number(arguments.getFirst())), Type.INTEGER);
            case ROUND -> round(c);
            case MOD -> {
                Typed left = typing.number(arguments.get(0));
                Typed right = typing.number(arguments.get(1));
                int scale = Math.max(left.type().scale(), right.type().scale());
                boolean isWhole =
                        left.type().kind() == Kind.INTEGER && right.type().kind() == Kind.INTEGER;
                yield new Typed.Call(c.function(), List.of(left, right), isWhole ? Type.INTEGER : Type.decimal(scale));
            }
            case NULLIF -> {
                Typed equal = typing.compare(Comparator.EQUAL, arguments.get(0), arguments.get(1));
                Typed value = typing.visit(arguments.get(0));
                Typed nothing = new Typed.Constant(new Scalar.Null(value.type()));
                yield new Typed.CaseWhen(List.of(new Typed.Branch(equal, nothing)), Optional.of(value), value.type());
            }
        };
    }

    /** The digits kept are part of the result's type, so they are written as a number. */
    private Typed round(Expression.Call c) {
        Typed value = typing.number(c.arguments().getFirst());
        if (c.arguments().size() == 1) {
            return new Typed.Call(ScalarFunction.ROUND, List.of(value), Type.INTEGER);
        }
        Expression digits = c.arguments().get(1);
        boolean known = digits instanceof Expression.Literal literal
                && literal.value() instanceof Scalar.Number number
                && number.type().equals(Type.INTEGER)
                && number.value().intValue() <= Type.MOST_SCALE;
        if (!known) {
            throw Typing.fault(
                    digits.position(),
                    digits instanceof Expression.Negate
                            ? "ROUND keeps 0 to " + Type.MOST_SCALE
                                    + " digits after the point; for whole tens write ROUND(x / 10) * 10"
                            : "expected how many digits after the point are kept, a number from 0 to "
                                    + Type.MOST_SCALE);
        }
        int scale =
                ((Scalar.Number) ((Expression.Literal) digits).value()).value().intValue();
        int kept = Math.min(scale, value.type().scale());
        Type type = value.type().kind() == Kind.INTEGER ? Type.INTEGER : Type.decimal(kept);
        return new Typed.Call(ScalarFunction.ROUND, List.of(value), type);
    }

    Typed cast(Expression.Cast c) {
        Typed value = Typing.nullOf(typing.visit(c.value()), c.type());
        if (!castable(value.type(), c.type())) {
            throw Typing.fault(
                    c.value().position(),
                    "found " + Typing.article(value.type()) + ", which cannot be made " + Typing.article(c.type()));
        }
        return value.type().equals(c.type()) ? value : new Typed.Cast(value, c.type());
    }

    private static boolean castable(Type from, Type to) {
        boolean sameFamily =
                from.kind() == to.kind() || from.isNumber() && to.isNumber() || from.isTime() && to.isTime();
        return sameFamily || to.kind() == Kind.TEXT || from.kind() == Kind.TEXT;
    }

    Typed extract(Expression.Extract x) {
        Typed value = Typing.nullOf(typing.visit(x.value()), Type.TIMESTAMP);
        boolean needsTime = x.part() == DatePart.HOUR || x.part() == DatePart.MINUTE;
        if (!value.type().isTime() || needsTime && value.type().kind() == Kind.DATE) {
            throw Typing.fault(
                    x.value().position(),
                    "found " + Typing.article(value.type()) + ", expected "
                            + (needsTime ? "a timestamp" : "a date or a timestamp"));
        }
        return new Typed.Extract(x.part(), value);
    }

    private Typed whole(Expression e) {
        return Typing.require(e, Typing.nullOf(typing.visit(e), Type.INTEGER), Kind.INTEGER, "a whole number");
    }
}
