package org.grammatus.core.expression;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** Resolves the names of an expression and types its parts. */
public final class Typing {

    /** Where an expression stands, which decides what it may contain. */
    public enum Place {
        /** One row: fields, no aggregates. */
        ROW,
        /** One row as a report prints it: fields, and aggregates over the groups around it. */
        CELL,
        /** A group or the report: aggregates, and fields only inside them. */
        SCOPE
    }

    private static final int MONTHS_OF_YEAR = 12;
    /** BETWEEN, IN, CASE and NULLIF stand for more than is written: each inside the other, for twice as much at every step. */
    private static final int MOST_PARTS = 20_000;

    private final Names names;
    /** What the rows are called whose fields stand by themselves. */
    private final Optional<String> rows;

    private final FunctionTyping functions = new FunctionTyping(this);
    private final AggregateTyping aggregates = new AggregateTyping(this);
    private final ChoiceTyping choices = new ChoiceTyping(this);
    private Place place;
    private int parts;

    private Typing(Names names, Place place) {
        this(names, place, names.rowName());
    }

    Typing(Names names, Place place, Optional<String> rows) {
        this.names = names;
        this.place = place;
        this.rows = rows;
    }

    /**
     * Types an expression.
     *
     * @throws ProblemException with the position of the first fault
     */
    public static Typed type(Expression expression, Names names, Place place) {
        return new Typing(names, place).visit(expression).requireShallow(expression.position());
    }

    /** Types a condition; anything but a truth value is refused. */
    public static Typed condition(Expression expression, Names names, Place place) {
        return new Typing(names, place).condition(expression).requireShallow(expression.position());
    }

    /**
     * Types a condition that restricts what is kept: where prompts have no answer, what is left of it.
     *
     * @return nothing when it restricts nothing
     * @throws ProblemException with the position of the first fault, in whichever part, whatever was answered
     */
    public static Optional<Typed> restriction(Expression condition, Names names, Place place) {
        return new Typing(names, place).restriction(condition).map(left -> left.requireShallow(condition.position()));
    }

    Names names() {
        return names;
    }

    Place place() {
        return place;
    }

    /** What comes next stands in another place. */
    void stand(Place next) {
        place = next;
    }

    Optional<Typed> restriction(Expression condition) {
        Typed whole = condition(condition);
        Optional<Expression> left = Unanswered.removed(condition, names.unanswered());
        return left.map(some -> some == condition ? whole : condition(some));
    }

    /** Whether an expression contains an aggregate or a measure, and so must stand in a scope. */
    public static boolean aggregates(Expression e, Names names) {
        return switch (e) {
            case Expression.Aggregate a -> true;
            case Expression.Over o -> true;
            case Expression.Standing s -> true;
            case Expression.Name n -> names.measure(n.name(), n.quoted()).isPresent();
            default -> e.anyOperand(operand -> aggregates(operand, names));
        };
    }

    /** Whether an expression contains an aggregate over the place where it stands, rather than over a group that it names. */
    public static boolean aggregatesItsPlace(Expression e, Names names) {
        return switch (e) {
            case Expression.Aggregate a -> true;
            case Expression.Over o -> false;
            case Expression.Name n -> names.measure(n.name(), n.quoted()).isPresent();
            default -> e.anyOperand(operand -> aggregatesItsPlace(operand, names));
        };
    }

    Typed visit(Expression e) {
        if (++parts > MOST_PARTS) {
            throw fault(e.position(), "has more than " + MOST_PARTS + " parts once it is written out; split it up");
        }
        return switch (e) {
            case Expression.Literal l -> new Typed.Constant(l.value());
            case Expression.Name n -> field(n);
            case Expression.Qualified q -> qualified(q);
            case Expression.Exists x -> ExistsTyping.of(x, this);
            case Expression.Prompt p -> prompt(p);
            case Expression.Interval i ->
                throw fault(i.position(), "an interval can only be added to or taken from a date or timestamp");
            case Expression.Negate n -> new Typed.Negate(number(n.operand()));
            case Expression.Not n -> new Typed.Not(condition(n.operand()));
            case Expression.Arithmetic a -> arithmetic(a);
            case Expression.Concat c -> new Typed.Concat(text(c.left()), text(c.right()));
            case Expression.Compare c -> compare(c.operator(), c.left(), c.right());
            case Expression.Logic l -> new Typed.Logic(l.connective(), condition(l.left()), condition(l.right()));
            case Expression.Between b -> between(b);
            case Expression.In in -> membership(in);
            case Expression.IsNull n -> negate(n.negated(), new Typed.IsNull(visit(n.value())));
            case Expression.Like l -> negate(l.negated(), like(l));
            case Expression.Coalesce c -> choices.coalesce(c);
            case Expression.CurrentDate d -> new Typed.Constant(new Scalar.Date(names.currentDate()));
            case Expression.Case c -> choices.choice(c);
            case Expression.Call c -> functions.call(c);
            case Expression.Cast c -> functions.cast(c);
            case Expression.Extract x -> functions.extract(x);
            case Expression.Aggregate a -> aggregates.aggregate(a);
            case Expression.Over o -> aggregates.over(o);
            case Expression.Standing s -> aggregates.standing(s);
        };
    }

    private Typed like(Expression.Like l) {
        Typed value = text(l.value());
        Typed pattern = require(l.pattern(), nullOf(besides(value, l.pattern()), Type.TEXT), Kind.TEXT, "a text");
        return new Typed.Like(value, pattern, l.escape());
    }

    /** What OVER can be among some levels, outermost first: the whole report, or a way down from the outermost. */
    public static String overs(List<Names.Level> levels) {
        return AggregateTyping.overs(levels);
    }

    private Typed field(Expression.Name n) {
        Optional<Typed> measure = names.measure(n.name(), n.quoted());
        if (place == Place.SCOPE && measure.isPresent()) {
            return measure.get();
        }
        if (measure.isPresent()) {
            throw fault(
                    n.position(),
                    "measure \"" + n.name() + "\" has one value for a group, none for a row; it stands in a total or an"
                            + " order, outside SUM, COUNT, AVG, MIN and MAX");
        }
        Typed field = names.field(n.name(), n.quoted())
                .orElseThrow(() -> fault(
                        n.position(),
                        "unknown field \"" + n.name() + "\"" + Suggestion.inWords(n.name(), names.fieldLabels())));
        if (place == Place.SCOPE) {
            throw fault(
                    n.position(),
                    "field \"" + n.name() + "\" has many values here; put it into SUM, COUNT, AVG, MIN or MAX");
        }
        return field;
    }

    private Typed qualified(Expression.Qualified q) {
        if (!rows.equals(Optional.of(q.rows().name()))) {
            throw fault(
                    q.rows().position(),
                    "unknown rows \"" + q.rows().name() + "\"; rows here are called "
                            + rows.map(name -> "\"" + name + "\"").orElse("by no name"));
        }
        return field(q.field());
    }

    private Typed prompt(Expression.Prompt p) {
        if (names.chosen(p.name()).isPresent()) {
            throw fault(
                    p.position(),
                    "\":" + p.name() + "\" is a choice of several; it stands by itself in IN (:" + p.name() + ")");
        }
        return new Typed.Constant(names.prompt(p.name())
                .orElseThrow(() -> fault(
                        p.position(),
                        "unknown prompt \":" + p.name() + "\"" + Suggestion.inWords(p.name(), names.promptNames()))));
    }

    private Typed arithmetic(Expression.Arithmetic a) {
        if (a.right() instanceof Expression.Interval interval
                && (a.operator() == ArithmeticOperator.ADD || a.operator() == ArithmeticOperator.SUBTRACT)) {
            Typed value = visit(a.left());
            if (value.type().kind() != Kind.DATE && value.type().kind() != Kind.TIMESTAMP) {
                throw fault(a.left().position(), "found " + article(value.type()) + ", expected a date or a timestamp");
            }
            long count = a.operator() == ArithmeticOperator.ADD ? interval.count() : -interval.count();
            return switch (interval.unit()) {
                case DAY -> new Typed.AddDays(value, count);
                case MONTH -> new Typed.AddMonths(value, count);
                case YEAR -> new Typed.AddMonths(value, count * MONTHS_OF_YEAR);
            };
        }
        if (a.operator() == ArithmeticOperator.SUBTRACT) {
            Typed later = visit(a.left());
            if (later.type().kind() == Kind.DATE) {
                Typed earlier = nullOf(visit(a.right()), Type.DATE);
                return new Typed.DaysBetween(
                        later, require(a.right(), earlier, Kind.DATE, "a date to count days from"));
            }
        }
        Typed left = number(a.left());
        Typed right = number(a.right());
        return new Typed.Arithmetic(a.operator(), left, right, resultType(a, left.type(), right.type()));
    }

    private static Type resultType(Expression.Arithmetic a, Type left, Type right) {
        int scale = switch (a.operator()) {
            case ADD, SUBTRACT -> Math.max(left.scale(), right.scale());
            case MULTIPLY -> left.scale() + right.scale();
            case DIVIDE -> Decimals.divisionScale(left.scale(), right.scale());
        };
        boolean whole = a.operator() != ArithmeticOperator.DIVIDE
                && left.kind() == Kind.INTEGER
                && right.kind() == Kind.INTEGER;
        return whole ? Type.INTEGER : Type.decimal(scale);
    }

    private Typed between(Expression.Between b) {
        Typed low = compare(Comparator.GREATER_OR_EQUAL, b.value(), b.low());
        Typed high = compare(Comparator.LESS_OR_EQUAL, b.value(), b.high());
        return negate(b.negated(), new Typed.Logic(Connective.AND, low, high));
    }

    private Typed membership(Expression.In in) {
        return negate(in.negated(), ChosenTyping.of(in, this).orElseGet(() -> anyOf(in.value(), in.list())));
    }

    /** Joined by halves, so that a long list is no deep expression. */
    Typed anyOf(Expression value, List<Expression> items) {
        int half = items.size() / 2;
        return half == 0
                ? compare(Comparator.EQUAL, value, items.getFirst())
                : new Typed.Logic(
                        Connective.OR,
                        anyOf(value, items.subList(0, half)),
                        anyOf(value, items.subList(half, items.size())));
    }

    private static Typed negate(boolean negated, Typed condition) {
        return negated ? new Typed.Not(condition) : condition;
    }

    Typed compare(Comparator operator, Expression left, Expression right) {
        Typed a = visit(left);
        Typed b = besides(a, right);
        // An unanswered prompt is NULL of its own type, unlike a NULL that is written down: what could never be
        // answered is found at once.
        boolean promptOfOtherType = (left instanceof Expression.Prompt || right instanceof Expression.Prompt)
                && !(left instanceof Expression.Literal)
                && !(right instanceof Expression.Literal)
                && !comparable(a.type(), b.type());
        if (promptOfOtherType) {
            throw mismatch(right, a, b);
        }
        if (isNull(a)) {
            a = new Typed.Constant(new Scalar.Null(b.type()));
        } else if (isNull(b)) {
            b = new Typed.Constant(new Scalar.Null(a.type()));
        }
        if (!comparable(a.type(), b.type())) {
            throw mismatch(right, a, b);
        }
        return new Typed.Compare(operator, a, b);
    }

    private ProblemException mismatch(Expression right, Typed a, Typed b) {
        return fault(
                right.position(),
                "found " + article(b.type()) + ", expected " + article(a.type()) + " to compare with" + byName(a, b));
    }

    /** Where a key is compared with a text that may be meant for its name, how that is said; empty elsewhere. */
    private String byName(Typed a, Typed b) {
        Typed text = a instanceof Typed.Constant ? a : b;
        Typed key = text == a ? b : a;
        return text instanceof Typed.Constant(Scalar.Text(String meant)) && key instanceof Typed.Field field
                ? names.nameOf(field.id())
                        .map(name -> "; \"" + field.id() + "\" is a key, whose name is in \"" + name + "\": " + name
                                + " = '" + meant.replace("'", "''") + "'")
                        .orElse("")
                : "";
    }

    /** What a value is compared with; a text that stands there without quotes is taken for a field's name, which is said. */
    private Typed besides(Typed value, Expression other) {
        try {
            return visit(other);
        } catch (ProblemException e) {
            if (value.type().equals(Type.TEXT) && other instanceof Expression.Name name) {
                Problem fault = e.problems().getFirst();
                throw fault(
                        fault.position().orElse(other.position()),
                        fault.message() + "; a text is written in single quotes: '"
                                + name.name().replace("'", "''") + "'");
            }
            throw e;
        }
    }

    Typed condition(Expression e) {
        Typed typed = visit(e);
        if (isNull(typed)) {
            return new Typed.Constant(new Scalar.Null(Type.BOOLEAN));
        }
        return require(e, typed, Kind.BOOLEAN, "a condition, which is true or false");
    }

    Typed text(Expression e) {
        return require(e, nullOf(visit(e), Type.TEXT), Kind.TEXT, "a text");
    }

    Typed number(Expression e) {
        Typed typed = nullOf(visit(e), Type.INTEGER);
        if (!typed.type().isNumber()) {
            throw fault(e.position(), "found " + article(typed.type()) + ", expected a number");
        }
        return typed;
    }

    static Typed require(Expression e, Typed typed, Kind kind, String expected) {
        if (typed.type().kind() != kind) {
            throw fault(e.position(), "found " + article(typed.type()) + ", expected " + expected);
        }
        return typed;
    }

    private static boolean comparable(Type a, Type b) {
        return a.kind() == b.kind() || (a.isNumber() && b.isNumber()) || (a.isTime() && b.isTime());
    }

    static boolean isNull(Typed typed) {
        return typed instanceof Typed.Constant constant && constant.value() instanceof Scalar.Null;
    }

    static Typed nullOf(Typed typed, Type type) {
        return isNull(typed) ? new Typed.Constant(new Scalar.Null(type)) : typed;
    }

    static String article(Type type) {
        return switch (type.kind()) {
            case TEXT -> "a text";
            case INTEGER -> "a whole number";
            case DECIMAL -> "a decimal number";
            case DATE -> "a date";
            case TIMESTAMP -> "a timestamp";
            case BOOLEAN -> "a truth value";
        };
    }

    static ProblemException fault(Position position, String message) {
        return new ProblemException(Problem.error("", position, message));
    }
}
