package org.grammatus.core.columnar;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.expression.Connective;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Cancelled;
import org.grammatus.core.value.Type;

/** Computes expressions over a frame, one column for each part. */
public final class Evaluator {

    private final EvaluationContext frame;
    private final Faults faults;

    private Evaluator(EvaluationContext frame, Faults faults) {
        this.frame = frame;
        this.faults = faults;
    }

    /** The expression's value at every place of the frame. */
    public static Column evaluate(Typed expression, EvaluationContext frame, Faults faults) {
        return new Evaluator(frame, faults).visit(expression);
    }

    private Column visit(Typed e) {
        Cancelled.check();
        return switch (e) {
            case Typed.Constant c -> Scalars.repeat(c.value(), frame.size());
            case Typed.Field f -> frame.field(f.id());
            case Typed.Named n -> visit(n.value());
            case Typed.SemiJoin h ->
                frame.has(h, h.keys().stream().map(this::visit).toList());
            case Typed.LabelledKey c -> called(c);
            case Typed.Aggregate a -> frame.aggregate(a);
            case Typed.Over o -> frame.over(o);
            case Typed.WindowFunction s -> frame.standing(s, visit(s.value()));
            case Typed.Total t -> frame.total(t.id());
            case Typed.Negate n -> Arithmetic.negate(visit(n.operand()));
            case Typed.Arithmetic a ->
                Arithmetic.apply(a.operator(), visit(a.left()), visit(a.right()), a.type(), faults);
            case Typed.AddDays d -> DateParts.addDays((Column.Longs) visit(d.value()), d.days());
            case Typed.AddMonths m -> DateParts.addMonths((Column.Longs) visit(m.value()), m.months());
            case Typed.Extract x -> DateParts.extract(x.part(), (Column.Longs) visit(x.value()));
            case Typed.Cast c -> Casts.cast(visit(c.value()), c.type(), faults);
            case Typed.Call c ->
                Functions.call(c, c.arguments().stream().map(this::visit).toList(), faults);
            case Typed.DaysBetween d -> daysBetween((Column.Longs) visit(d.left()), (Column.Longs) visit(d.right()));
            case Typed.Like l -> LikePredicate.apply(visit(l.value()), visit(l.pattern()), l.escape());
            case Typed.Concat c -> concat((Column.Texts) visit(c.left()), (Column.Texts) visit(c.right()));
            case Typed.Compare c -> Comparison.apply(c.operator(), visit(c.left()), visit(c.right()));
            case Typed.Logic l -> logic(l.connective(), visit(l.left()), visit(l.right()));
            case Typed.Not n -> not(visit(n.operand()));
            case Typed.IsNull n -> isNull(visit(n.value()));
            case Typed.CaseWhen c -> choice(c);
        };
    }

    private Column called(Typed.LabelledKey c) {
        Column name = visit(c.name());
        boolean complete = IntStream.range(0, name.size()).noneMatch(name::isNull);
        Typed key = c.key().type().equals(Type.TEXT) ? c.key() : new Typed.Cast(c.key(), Type.TEXT);
        Typed.Branch named = new Typed.Branch(new Typed.Not(new Typed.IsNull(c.name())), c.name());
        return complete ? name : choice(new Typed.CaseWhen(List.of(named), Optional.of(key), Type.TEXT));
    }

    private static Column daysBetween(Column.Longs left, Column.Longs right) {
        long[] values = new long[left.size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = left.isNull(i) || right.isNull(i) ? Column.Longs.NULL : left.values()[i] - right.values()[i];
        }
        return new Column.Longs(Type.INTEGER, values);
    }

    private static Column concat(Column.Texts left, Column.Texts right) {
        TextsBuilder joined = new TextsBuilder(left.size());
        for (int row = 0; row < left.size(); row++) {
            joined.set(row, left.isNull(row) || right.isNull(row) ? null : left.text(row) + right.text(row));
        }
        return joined.build();
    }

    /** SQL's three-valued AND and OR: false decides AND, true decides OR, else NULL is catching. */
    private static Column logic(Connective connective, Column left, Column right) {
        long[] a = ((Column.Longs) left).values();
        long[] b = ((Column.Longs) right).values();
        long decides = connective == Connective.OR ? 1 : 0;
        long[] values = new long[a.length];
        for (int i = 0; i < values.length; i++) {
            if (a[i] == decides || b[i] == decides) {
                values[i] = decides;
            } else if (a[i] == Column.Longs.NULL || b[i] == Column.Longs.NULL) {
                values[i] = Column.Longs.NULL;
            } else {
                values[i] = 1 - decides;
            }
        }
        return new Column.Longs(Type.BOOLEAN, values);
    }

    private static Column not(Column column) {
        long[] values = ((Column.Longs) column).values().clone();
        for (int i = 0; i < values.length; i++) {
            if (values[i] != Column.Longs.NULL) {
                values[i] = 1 - values[i];
            }
        }
        return new Column.Longs(Type.BOOLEAN, values);
    }

    private static Column isNull(Column column) {
        long[] values = new long[column.size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = column.isNull(i) ? 1 : 0;
        }
        return new Column.Longs(Type.BOOLEAN, values);
    }

    private Column choice(Typed.CaseWhen c) {
        List<long[]> conditions = new ArrayList<>();
        List<Column> results = new ArrayList<>();
        for (Typed.Branch branch : c.branches()) {
            conditions.add(((Column.Longs) visit(branch.condition())).values());
            results.add(visit(branch.result()));
        }
        c.otherwise().ifPresent(otherwise -> results.add(visit(otherwise)));
        int[] chosen = new int[frame.size()];
        for (int i = 0; i < chosen.length; i++) {
            int branch = 0;
            while (branch < conditions.size() && conditions.get(branch)[i] != 1) {
                branch++;
            }
            chosen[i] = branch < results.size() ? branch : -1;
        }
        return Choosing.choose(chosen, results, c.type());
    }
}
