package org.grammatus.core.rows;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.value.Period;

/**
 * The days of a report that are compared with those of another time. An open end is the business date, in both times.
 *
 * @param field id of the date field that tells the time
 * @param from first day; none where the report's conditions set none, and then only groups that are spans of time have one
 * @param to last day; none where the report's conditions set none
 * @param businessDate what the run takes for today
 */
public record ComparedDays(String field, Optional<LocalDate> from, Optional<LocalDate> to, LocalDate businessDate) {

    private static final int MONTHS_OF_YEAR = 12;

    /** The days that a plan's own conditions keep. */
    public static ComparedDays of(TablePlan plan, String field) {
        Period kept = KeptDays.of(plan.filters(), field);
        return new ComparedDays(field, kept.from(), kept.to(), plan.context().businessDate());
    }

    /** The day after which nothing is compared, where the end is open. */
    public Optional<LocalDate> openEnd() {
        return to.isPresent() ? Optional.empty() : Optional.of(businessDate);
    }

    /** The step from the other time to these days; none where there is no such time. */
    public Optional<Shift> shift(TablePlan.Comparison.WithTime compared) {
        Optional<LocalDate> until = compared.cut() ? Optional.of(businessDate) : openEnd();
        if (compared.with() == ComparedWith.LAST_YEAR) {
            return Optional.of(new Shift(field, MONTHS_OF_YEAR, 0, from, until));
        }
        LocalDate end = to.orElse(businessDate);
        return from.filter(start -> !start.isAfter(end)).map(start -> step(start, end, until));
    }

    /** The step from the period before to this one: whole months where the period is made of them, else its days. */
    private Shift step(LocalDate start, LocalDate end, Optional<LocalDate> until) {
        LocalDate after = end.plusDays(1);
        boolean months = start.getDayOfMonth() == 1 && after.getDayOfMonth() == 1;
        return months
                ? new Shift(field, (int) ChronoUnit.MONTHS.between(start, after), 0, from, until)
                : new Shift(field, 0, (int) ChronoUnit.DAYS.between(start, after), from, until);
    }

    /** Days of the same length as now that do not move: what is compared of this time, where its end is open. */
    public Optional<Shift> cut() {
        return openEnd().map(end -> new Shift(field, 0, 0, Optional.empty(), Optional.of(end)));
    }

    /** Whether 29 February is among the last days compared, and a year before it there is none. */
    public boolean endsOnLeapDay() {
        LocalDate end = to.orElse(businessDate);
        return isLeapDay(end)
                && from.filter(start -> !start.isBefore(end.minusDays(1))).isPresent();
    }

    /** Whether a day is 29 February, which the year before and the year after do not have. */
    public static boolean isLeapDay(LocalDate day) {
        return day.getMonthValue() == 2 && day.getDayOfMonth() == 29;
    }
}
