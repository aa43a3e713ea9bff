package org.grammatus.core.dataset;

import java.util.List;
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
            case Typed.Field f -> dataset.field(f.id()).table();
            // A filter says which rows are taken, not what is measured.
            case Typed.Aggregate a -> a.argument().map(this::of).orElse(DatasetModel.GRAIN);
            default -> ofAll(e.operands());
        };
    }

    private int ofAll(List<Typed> operands) {
        int home = NOWHERE;
        for (Typed operand : operands) {
            home = meet(home, of(operand));
        }
        return home;
    }

    /** The home, or the grain for what has none. */
    public int orGrain(Typed e) {
        return Math.max(of(e), DatasetModel.GRAIN);
    }

    private int meet(int a, int b) {
        return a == NOWHERE ? b : b == NOWHERE ? a : dataset.finest(a, b);
    }
}
