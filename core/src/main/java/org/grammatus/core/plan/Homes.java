package org.grammatus.core.plan;

import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;

/** Finds the home of an expression: the finest table among its fields. */
public final class Homes {

    /** What has no field in it has no home. */
    public static final int NOWHERE = -1;

    private final DatasetModel dataset;

    public Homes(DatasetModel dataset) {
        this.dataset = dataset;
    }

    /** Number of the home table, or {@link #NOWHERE}. */
    public int of(Typed e) {
        return switch (e) {
            case Typed.Constant c -> NOWHERE;
            case Typed.Field f -> dataset.field(f.id()).table();
            case Typed.Negate n -> of(n.operand());
            case Typed.Arithmetic a -> meet(of(a.left()), of(a.right()));
            case Typed.AddDays d -> of(d.value());
            case Typed.DaysBetween d -> meet(of(d.left()), of(d.right()));
            case Typed.Like l -> meet(of(l.value()), of(l.pattern()));
            case Typed.Concat c -> meet(of(c.left()), of(c.right()));
            case Typed.Compare c -> meet(of(c.left()), of(c.right()));
            case Typed.Logic l -> meet(of(l.left()), of(l.right()));
            case Typed.Not n -> of(n.operand());
            case Typed.IsNull n -> of(n.value());
            case Typed.Choice c -> {
                int home = c.otherwise().map(this::of).orElse(NOWHERE);
                for (Typed.Branch branch : c.branches()) {
                    home = meet(home, meet(of(branch.condition()), of(branch.result())));
                }
                yield home;
            }
            case Typed.Aggregate a -> a.argument().map(this::of).orElse(DatasetModel.GRAIN);
        };
    }

    /** The home, or the grain for what has none. */
    public int orGrain(Typed e) {
        return Math.max(of(e), DatasetModel.GRAIN);
    }

    private int meet(int a, int b) {
        return a == NOWHERE ? b : b == NOWHERE ? a : dataset.finest(a, b);
    }
}
