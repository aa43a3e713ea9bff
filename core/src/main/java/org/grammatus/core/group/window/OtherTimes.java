package org.grammatus.core.group.window;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.group.figure.FigureNotices;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.select.Selection;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.rows.ComparedDays;
import org.grammatus.core.rows.KeptDays;
import org.grammatus.core.rows.Shift;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;

/**
 * The figures of other times, by node, each with those of this time that they are compared with. Where the days compared have no start,
 * nothing is compared but in groups that are spans of time.
 */
final class OtherTimes {

    private final TablePlan plan;
    private final Figures figures;
    private final Selection selection;
    private final FigureNotices notices;
    /** By the step in time, or by the conditions, that they are told apart by. */
    private final Map<Object, OtherTime> made = new HashMap<>();

    private final Map<String, BitSet> spans = new HashMap<>();

    /** @param notices where it is noted why figures are not compared */
    OtherTimes(TablePlan plan, Figures figures, Selection selection, FigureNotices notices) {
        this.plan = plan;
        this.figures = figures;
        this.selection = selection;
        this.notices = notices;
    }

    /** Figures of this time and of another, by node; NULL where nothing is compared. */
    record Pair(Column ours, Column other) {}

    /**
     * A total beside the same of another time.
     *
     * @param index of the total
     * @param values its figures
     */
    Pair of(int index, TotalPlan total, TablePlan.Comparison.WithTime compared, Column values) {
        ComparedDays days = ComparedDays.of(plan, compared.date());
        Optional<Shift> shift = days.shift(compared);
        if (shift.isEmpty()) {
            notices.add(index, "No previous period for ", ": " + needed(compared));
            return nothing(total);
        }
        if (compared.with() == ComparedWith.LAST_YEAR && days.endsOnLeapDay()) {
            notices.add(index, "", ": a year before 29 February is 28 February; " + leapDays(days));
        }
        Column other = made(shift.get(), () -> OtherTime.of(plan, figures, selection, shift.get()))
                .figures(total);
        return started(index, total, days, needed(compared), values, other);
    }

    /** A total beside the same of the days that another prompt asks for. */
    Pair of(int index, TotalPlan total, TablePlan.Comparison.WithPeriod compared, Column values) {
        Period asked = KeptDays.of(compared.conditions(), compared.date());
        if (asked.from().isEmpty()) {
            notices.add(index, "No other days to compare ", " with: " + answer(label(compared.prompt())));
            return nothing(total);
        }
        ComparedDays days = ComparedDays.of(plan, compared.date());
        Optional<LocalDate> until = asked.to().isPresent() ? Optional.empty() : Optional.of(days.businessDate());
        Column other = made(
                        compared.conditions(),
                        () -> OtherTime.of(plan, figures, selection, compared.conditions(), compared.date(), until))
                .figures(total);
        return started(index, total, days, filtered(compared.date()), values, other);
    }

    private OtherTime made(Object key, Supplier<OtherTime> time) {
        OtherTime known = made.get(key);
        if (known == null) {
            known = time.get();
            made.put(key, known);
        }
        return known;
    }

    /**
     * What is compared; of days without a start, only in groups that are spans of time.
     *
     * @param needed what gives them a start
     */
    private Pair started(int index, TotalPlan total, ComparedDays days, String needed, Column values, Column other) {
        if (days.from().isPresent()) {
            return new Pair(upToEnd(index, total, days, values), other);
        }
        BitSet compared = spans.computeIfAbsent(days.field(), field -> SpansOfTime.of(field, figures));
        if (compared.isEmpty()) {
            notices.add(index, "Nothing is compared for ", ": " + needed);
            return nothing(total);
        }
        boolean around = IntStream.rangeClosed(0, plan.levels().size())
                .anyMatch(depth -> total.places().containsKey(plan.levelAt(depth)) && !anyAt(depth, compared));
        if (around) {
            notices.add(index, "Compared only inside groups of one time: ", "; for the totals around them, " + needed);
        }
        return new Pair(where(upToEnd(index, total, days, values), compared), where(other, compared));
    }

    private boolean anyAt(int depth, BitSet compared) {
        int next = compared.nextSetBit(figures.nodes().first(depth));
        return next >= 0 && next < figures.nodes().first(depth + 1);
    }

    /**
     * The figures of this time up to the business date, where the end is open and there are days after it; as they are where the other
     * time is shown by itself.
     */
    private Column upToEnd(int index, TotalPlan total, ComparedDays days, Column values) {
        boolean alone =
                total.comparison().filter(c -> c.shown() != Compared.FIGURE).isEmpty();
        Optional<Shift> cut = days.cut().filter(shift -> !alone && OtherTime.hasLater(figures, shift));
        if (cut.isEmpty()) {
            return values;
        }
        notices.add(
                index,
                "Days after " + DateBucket.day(days.businessDate().toEpochDay(), ULocale.UK) + " are not compared for ",
                ", since the period has no end");
        return made(cut.get(), () -> OtherTime.of(plan, figures, selection, cut.get()))
                .figures(total);
    }

    private Pair nothing(TotalPlan total) {
        Column none = Scalars.repeat(
                new Scalar.Null(total.value().type()), figures.nodes().nodeCount());
        return new Pair(none, none);
    }

    private static Column where(Column values, BitSet nodes) {
        int[] from = new int[values.size()];
        for (int node = 0; node < from.length; node++) {
            from[node] = nodes.get(node) ? node : -1;
        }
        return Gathering.orNull(values, from);
    }

    /** What a reader or author does so that the days have a start. */
    private String needed(TablePlan.Comparison.WithTime compared) {
        return compared.prompt().map(prompt -> answer(label(prompt))).orElseGet(() -> filtered(compared.date()));
    }

    private String filtered(String field) {
        return "filter \"" + plan.dataset().field(field).label() + "\" from a first day on";
    }

    private static String answer(String prompt) {
        return "answer \"" + prompt + "\" with a start";
    }

    private String label(String prompt) {
        return plan.prompts().stream()
                .filter(asked -> asked.name().equals(prompt))
                .findFirst()
                .map(ResolvedPrompt::label)
                .orElse(prompt);
    }

    private static String leapDays(ComparedDays days) {
        LocalDate end = days.to().orElse(days.businessDate());
        boolean both = days.from().filter(end::equals).isEmpty();
        return (both ? "28 and 29 February " : "29 February ")
                + end.getYear()
                + (both ? " are both compared with 28 February " : " is compared with 28 February ")
                + (end.getYear() - 1);
    }
}
