package org.grammatus.core.band;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.band.BandCell.Role;
import org.grammatus.core.choice.Good;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.words.Words;

/** The cells of key figures: what each is called, what it is, how it has changed, and what it is compared with. */
public final class FigureCells {

    /** Holds what is before it and behind it on one line. */
    private static final char NO_BREAK = '\u00A0';

    private final FiguresPlan plan;
    private final TableResult grouped;
    private final BandTexts printed;

    FigureCells(FiguresPlan plan, TableResult grouped, BandTexts printed) {
        this.plan = plan;
        this.grouped = grouped;
        this.printed = printed;
    }

    /** What is said of a figure. */
    List<BandCell.Words> words(int figure) {
        FiguresPlan.Figure shown = plan.figures().get(figure);
        List<BandCell.Words> words = new ArrayList<>();
        words.add(new BandCell.Words(Role.FIGURE_LABEL, shown.id(), label(figure)));
        shown.beside().ifPresent(beside -> {
            beside.change()
                    .ifPresent(change ->
                            words.add(new BandCell.Words(Role.CHANGE, change, change(change, beside.good()))));
            String other = printed.total(index(beside.other()), GroupTree.ROOT);
            words.add(new BandCell.Words(
                    Role.OTHER_FIGURE,
                    beside.other(),
                    beside.with() + ": " + (other.isEmpty() ? Words.NO_FIGURE : unbroken(other))));
        });
        return words;
    }

    /** A figure with its unit, which stand on one line. */
    private static String unbroken(String figure) {
        return figure.replace(' ', NO_BREAK);
    }

    /** What a figure is called. */
    public String label(int figure) {
        String id = plan.figures().get(figure).id();
        return printed.columns().stream()
                .filter(column -> column.id().equals(id))
                .findFirst()
                .orElseThrow()
                .heading();
    }

    /** A figure by itself. */
    BandCell.Value value(int figure) {
        String id = plan.figures().get(figure).value();
        int total = index(id);
        return new BandCell.Value(
                printed.columnOf(total),
                GroupTree.ROOT,
                id,
                isBlank(id) ? Optional.of(Words.NO_FIGURE) : Optional.empty(),
                grouped.figures().totals().get(total),
                GroupTree.ROOT,
                printed.totalFormat(total));
    }

    /** The exact value of one of its totals. */
    public Scalar exact(String total) {
        return Scalars.at(grouped.figures().totals().get(index(total)), GroupTree.ROOT);
    }

    private Words words() {
        return Words.of(grouped.plan().locale());
    }

    private boolean isBlank(String total) {
        return exact(total) instanceof Scalar.Null;
    }

    private int index(String total) {
        return grouped.plan().indexOfTotal(total);
    }

    /** A change with its sign, and whether it is welcome: a sign alone is easily overlooked. */
    private String change(String total, Optional<Good> good) {
        if (!(exact(total) instanceof Scalar.Number number)) {
            return words().notCompared();
        }
        String text = printed.total(index(total), GroupTree.ROOT);
        return (number.value().signum() > 0 ? "+" + text : text) + " · " + direction(number.value(), good);
    }

    private String direction(BigDecimal change, Optional<Good> good) {
        if (change.signum() == 0) {
            return words().direction("unchanged");
        }
        boolean more = change.signum() > 0;
        return words().direction(good.map(welcome -> more == (welcome == Good.MORE) ? "better" : "worse")
                .orElse(more ? "more" : "less"));
    }
}
