package org.grammatus.core.plan.planner.condition;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.grammatus.core.expression.ArithmeticOperator;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Expressions;

/** A day told from today, as conditions write it: {@code today}, {@code 5 days before today}, {@code 2 months after today}. */
final class RelativeDay {

    private static final Pattern AWAY =
            Pattern.compile("(\\d{1,5}) (day|week|month|year)s? (before|after) today", Pattern.CASE_INSENSITIVE);
    private static final int DAYS_OF_WEEK = 7;

    private RelativeDay() {}

    /** The expression that a day is; none where it is not told from today. */
    static Optional<Expression> expression(String day) {
        String text = day.trim().replaceAll("\\s+", " ");
        Expression today = new Expression.CurrentDate(Expressions.NOWHERE);
        if (text.equalsIgnoreCase("today")) {
            return Optional.of(today);
        }
        Matcher away = AWAY.matcher(text);
        if (!away.matches()) {
            return Optional.empty();
        }
        boolean weeks = away.group(2).equalsIgnoreCase("week");
        int count = Integer.parseInt(away.group(1)) * (weeks ? DAYS_OF_WEEK : 1);
        boolean before = away.group(3).equalsIgnoreCase("before");
        Expression.Unit unit = weeks
                ? Expression.Unit.DAY
                : Expression.Unit.valueOf(away.group(2).toUpperCase(Locale.ROOT));
        if (count > unit.most()) {
            throw new IllegalArgumentException("found \"" + text + "\", expected at most " + unit.most() + " "
                    + unit.name().toLowerCase(Locale.ROOT) + "s");
        }
        return Optional.of(new Expression.Arithmetic(
                before ? ArithmeticOperator.SUBTRACT : ArithmeticOperator.ADD,
                today,
                new Expression.Interval(count, unit, Expressions.NOWHERE),
                Expressions.NOWHERE));
    }
}
