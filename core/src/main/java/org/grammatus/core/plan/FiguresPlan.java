package org.grammatus.core.plan;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Good;

/**
 * Key figures with everything resolved. Immutable.
 *
 * @param facts a table without groups: a column and its grand totals for each figure
 */
public record FiguresPlan(TablePlan facts, List<Figure> figures) implements BlockPlan {

    public FiguresPlan {
        figures = List.copyOf(figures);
    }

    /**
     * A figure.
     *
     * @param id also that of the facts' column that says what it is called and how it is printed
     * @param value id of the total that it is
     * @param beside what it is compared with
     */
    public record Figure(String id, String value, Optional<Beside> beside) {}

    /**
     * What a figure is compared with.
     *
     * @param with what it is, in words: "same time last year"
     * @param other id of the total that it is compared with
     * @param change id of the total that says how it has changed; none where only the other is shown
     * @param good which change is welcome
     */
    public record Beside(String with, String other, Optional<String> change, Optional<Good> good) {}

    @Override
    public FiguresPlan with(TablePlan other) {
        return new FiguresPlan(other, figures);
    }
}
