package org.grammatus.core.expression;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** An expression with every name resolved and every part typed: what the engine computes. Immutable. */
public sealed interface Typed {

    Type type();

    /** The expressions that this one is made of, from left to right; none for a constant or a field. */
    default List<Typed> operands() {
        return switch (this) {
            case Constant c -> List.of();
            case Field f -> List.of();
            // What is asked of the other rows is no part of this row.
            case SemiJoin h -> h.keys();
            case Named n -> List.of(n.value());
            case LabelledKey c -> List.of(c.name(), c.key());
            case Negate n -> List.of(n.operand());
            case Arithmetic a -> List.of(a.left(), a.right());
            case AddDays d -> List.of(d.value());
            case AddMonths m -> List.of(m.value());
            case Call c -> c.arguments();
            case Cast c -> List.of(c.value());
            case Extract x -> List.of(x.value());
            case DaysBetween d -> List.of(d.left(), d.right());
            case Concat c -> List.of(c.left(), c.right());
            case Compare c -> List.of(c.left(), c.right());
            case Logic l -> List.of(l.left(), l.right());
            case Not n -> List.of(n.operand());
            case Like l -> List.of(l.value(), l.pattern());
            case IsNull n -> List.of(n.value());
            case CaseWhen c ->
                Stream.concat(
                                c.branches().stream().flatMap(b -> Stream.of(b.condition(), b.result())),
                                c.otherwise().stream())
                        .toList();
            case Over o -> o.aggregate().operands();
            case WindowFunction s -> List.of(s.value());
            case Total t -> List.of();
            case Aggregate a ->
                Stream.concat(a.argument().stream(), a.filter().stream()).toList();
        };
    }

    /** Whether any of the expressions that this one is made of meets a condition; plain steps, for deep expressions. */
    default boolean anyOperand(Predicate<Typed> condition) {
        for (Typed operand : operands()) {
            if (condition.test(operand)) {
                return true;
            }
        }
        return false;
    }

    /** Adds the ids of the fields that it reads, with all that its names stand for. */
    default void noteFields(Collection<String> fields) {
        if (this instanceof Field field) {
            fields.add(field.id());
        }
        for (Typed operand : operands()) {
            operand.noteFields(fields);
        }
    }

    /** How many steps one after the other it may take to compute an expression with all that it uses: every step waits for the next. */
    int MOST_STEPS = 400;

    /** How many steps one after the other it takes: how often one part stands inside another. */
    default int depth() {
        int most = 0;
        for (Typed operand : operands()) {
            most = Math.max(most, operand.depth());
        }
        return most + 1;
    }

    /**
     * This expression, if it is not too deep.
     *
     * @throws ProblemException if it takes more than {@value #MOST_STEPS} steps
     */
    default Typed requireShallow(Position position) {
        int steps = depth();
        if (steps > MOST_STEPS) {
            throw new ProblemException(Problem.error(
                    "",
                    position,
                    "takes " + steps + " steps one after the other once all that it uses is written out, more than "
                            + MOST_STEPS + "; make it shorter"));
        }
        return this;
    }

    /** What is computed, under whatever name. */
    default Typed unnamed() {
        return this instanceof Named n ? n.value().unnamed() : this;
    }

    record Constant(Scalar value) implements Typed {
        @Override
        public Type type() {
            return value.type();
        }
    }

    /** A field's value, by the field's id. */
    record Field(String id, Type type) implements Typed {}

    /**
     * Whether there are rows of another dataset that belong to the row. Never NULL: a blank key has none.
     *
     * @param dataset id of that dataset
     * @param keys of this row
     * @param otherKeys of the others, in the same order
     * @param condition that they meet; none where all will do
     * @param counted whose different values are counted; the rows unless given
     * @param least how many there must be
     */
    record SemiJoin(
            String dataset,
            List<Typed> keys,
            List<Typed> otherKeys,
            Optional<Typed> condition,
            Optional<Typed> counted,
            int least)
            implements Typed {

        public SemiJoin {
            keys = List.copyOf(keys);
            otherKeys = List.copyOf(otherKeys);
        }

        @Override
        public Type type() {
            return Type.BOOLEAN;
        }

        /** Ids of the fields of the other dataset that it reads. */
        public Set<String> otherFields() {
            Set<String> fields = new TreeSet<>();
            otherKeys.forEach(key -> key.noteFields(fields));
            condition.ifPresent(value -> value.noteFields(fields));
            counted.ifPresent(value -> value.noteFields(fields));
            return fields;
        }
    }

    /** Everything by which rows of other datasets are looked for in it. */
    default Stream<SemiJoin> looks() {
        return this instanceof SemiJoin has
                ? Stream.of(has)
                : operands().stream().flatMap(Typed::looks);
    }

    /** A calculated field or a measure, by its id, and what it stands for. */
    record Named(String id, Typed value) implements Typed {
        @Override
        public Type type() {
            return value.type();
        }
    }

    /** What a key is called: by its name, a text, or by itself where its name is missing. */
    record LabelledKey(Typed key, Typed name) implements Typed {
        @Override
        public Type type() {
            return Type.TEXT;
        }

        /** Called by its name, if that is a text; else the name as it is. */
        public static Typed of(Typed key, Typed name) {
            return name.type().equals(Type.TEXT) ? new LabelledKey(key, name) : name;
        }
    }

    record Negate(Typed operand) implements Typed {
        @Override
        public Type type() {
            return operand.type();
        }
    }

    record Arithmetic(ArithmeticOperator operator, Typed left, Typed right, Type type) implements Typed {}

    /** A date or timestamp so many days later. */
    record AddDays(Typed value, long days) implements Typed {
        @Override
        public Type type() {
            return value.type();
        }
    }

    /** A date or timestamp so many months later, on the month's last day where it has no such day. */
    record AddMonths(Typed value, long months) implements Typed {
        @Override
        public Type type() {
            return value.type();
        }
    }

    /** A function; of ROUND the digits to keep are the type's scale. */
    record Call(ScalarFunction function, List<Typed> arguments, Type type) implements Typed {}

    /** A value in another type. */
    record Cast(Typed value, Type type) implements Typed {}

    record Extract(DatePart part, Typed value) implements Typed {
        @Override
        public Type type() {
            return Type.INTEGER;
        }
    }

    /** The whole days from the right date to the left one. */
    record DaysBetween(Typed left, Typed right) implements Typed {
        @Override
        public Type type() {
            return Type.INTEGER;
        }
    }

    record Concat(Typed left, Typed right) implements Typed {
        @Override
        public Type type() {
            return Type.TEXT;
        }
    }

    sealed interface Condition extends Typed {
        @Override
        default Type type() {
            return Type.BOOLEAN;
        }
    }

    record Compare(Comparator operator, Typed left, Typed right) implements Condition {}

    record Logic(Connective connective, Typed left, Typed right) implements Condition {}

    record Not(Typed operand) implements Condition {}

    /** @param escape the character after which {@code %} and {@code _} stand for themselves */
    record Like(Typed value, Typed pattern, Optional<String> escape) implements Condition {}

    record IsNull(Typed value) implements Condition {}

    /** The first branch whose condition is true gives the value. */
    record CaseWhen(List<Branch> branches, Optional<Typed> otherwise, Type type) implements Typed {}

    record Branch(Typed condition, Typed result) {}

    /**
     * An aggregate over the rows of the scope in which it stands; no argument counts rows.
     *
     * @param filter takes the rows alone for which it is true
     */
    record Aggregate(
            AggregateFunction function, boolean distinct, Optional<Typed> argument, Optional<Typed> filter, Type type)
            implements Typed {}

    /**
     * An aggregate over the group of a level around the place where it stands.
     *
     * @param around the level; none for the whole report
     * @param steps what is stepped over in printed order, up to the place where it stands; none takes all of the group
     */
    record Over(Aggregate aggregate, Optional<Names.Level> around, Optional<Steps> steps) implements Typed {
        @Override
        public Type type() {
            return aggregate.type();
        }
    }

    /**
     * Where a row or a group stands among the others of the group of a level around it.
     *
     * @param value what they are told apart by; of LAG, what the one before has
     * @param around the level; none for the whole report
     * @param steps what stands there: rows, or the groups of a level
     * @param descending of a rank, whether the largest comes first
     */
    record WindowFunction(
            StandingFunction function,
            Typed value,
            Optional<Names.Level> around,
            Steps steps,
            boolean descending,
            Type type)
            implements Typed {}

    /**
     * A total as it is printed, among those of its block.
     *
     * @param id of it
     */
    record Total(String id, Type type) implements Typed {}

    /**
     * What an aggregate steps over.
     *
     * @param level id of the level whose groups are stepped over; none for rows
     * @param name what they are called
     */
    record Steps(Optional<String> level, String name) {}

    /** What aggregates in it step over. */
    default Stream<Steps> stepping() {
        List<Steps> found = new ArrayList<>();
        noteSteps(found);
        return found.stream();
    }

    private void noteSteps(List<Steps> found) {
        if (this instanceof Over over) {
            over.steps().ifPresent(found::add);
        } else {
            if (this instanceof WindowFunction standing) {
                found.add(standing.steps());
            }
            for (Typed operand : operands()) {
                operand.noteSteps(found);
            }
        }
    }

    /** Whether anything in it is computed over other groups than the one where it stands. */
    default boolean looksOver() {
        return this instanceof Over || this instanceof WindowFunction || anyOperand(Typed::looksOver);
    }

    /** Whether it contains an aggregate, under whatever name and of whichever group. */
    default boolean aggregates() {
        return this instanceof Aggregate
                || this instanceof Over
                || this instanceof Total
                || anyOperand(Typed::aggregates);
    }

    /** The levels around that an aggregate in it is over; the whole report is none of them. */
    default Stream<Names.Level> levelsAround() {
        List<Names.Level> found = new ArrayList<>();
        noteLevels(found);
        return found.stream();
    }

    private void noteLevels(List<Names.Level> found) {
        if (this instanceof Over over) {
            over.around().ifPresent(found::add);
        } else {
            if (this instanceof WindowFunction standing) {
                standing.around().ifPresent(found::add);
            }
            for (Typed operand : operands()) {
                operand.noteLevels(found);
            }
        }
    }
}
