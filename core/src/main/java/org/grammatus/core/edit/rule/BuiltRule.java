package org.grammatus.core.edit.rule;

import java.time.LocalDate;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.grammatus.core.expression.Comparator;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Kind;

/**
 * A rule of one comparison.
 *
 * @param value what is compared
 * @param operator how, as expressions write it
 * @param than what it is compared with, an expression; none for {@code IS NULL} and {@code IS NOT NULL}
 * @param typed the value that it is compared with, as people write it; none where it is compared with something else
 */
public record BuiltRule(RuleChoices.Choice value, String operator, Optional<String> than, Optional<String> typed) {

    private static final String IS_NULL = "IS NULL";
    private static final String IS_NOT_NULL = "IS NOT NULL";
    private static final Pattern DAY = Pattern.compile("DATE '([^']*)'");
    private static final Pattern TEXT = Pattern.compile("'((?:[^']|'')*)'");
    private static final Pattern NUMBER = Pattern.compile("- ?[\\d.]+|[\\d.]+");

    /** The comparison that a condition is; none of one that says more, or compares with what is not offered. */
    public static Optional<BuiltRule> of(String when, RuleChoices choices) {
        try {
            return switch (ExpressionParser.parse(when)) {
                case Expression.IsNull isNull ->
                    value(isNull.value(), choices)
                            .map(value -> new BuiltRule(
                                    value,
                                    isNull.negated() ? IS_NOT_NULL : IS_NULL,
                                    Optional.empty(),
                                    Optional.empty()));
                case Expression.Compare compare ->
                    value(compare.left(), choices)
                            .flatMap(value -> compared(value, compare.operator(), compare.right(), choices));
                default -> Optional.empty();
            };
        } catch (ProblemException e) {
            return Optional.empty();
        }
    }

    private static Optional<RuleChoices.Choice> value(Expression tree, RuleChoices choices) {
        String printed = ExpressionPrinter.print(tree);
        return choices.values().stream()
                .filter(choice -> choices.printed(choice.text()).equals(printed))
                .findFirst();
    }

    private static Optional<BuiltRule> compared(
            RuleChoices.Choice value, Comparator operator, Expression right, RuleChoices choices) {
        String than = ExpressionPrinter.print(right);
        return typedIn(than)
                .map(typed -> new BuiltRule(value, operator.symbol(), Optional.of(than), Optional.of(typed)))
                .or(() -> choices.comparedWith(value).stream()
                        .filter(other -> choices.printed(other.text()).equals(than))
                        .findFirst()
                        .map(other ->
                                new BuiltRule(value, operator.symbol(), Optional.of(other.text()), Optional.empty())));
    }

    /** The same rule about another value: what that was compared with stays where it still fits. */
    public static BuiltRule about(RuleChoices.Choice value, Optional<BuiltRule> before, LocalDate today) {
        Kind kind = value.type();
        String usual = kind.isNumber() ? ">" : kind.isTime() ? "<" : IS_NULL;
        String operator = before.map(BuiltRule::operator).orElse(usual);
        Optional<BuiltRule> fitting = before.filter(
                rule -> rule.typed().isPresent() && rule.value().type().isComparableWith(kind));
        String than = fitting.flatMap(BuiltRule::than)
                .orElseGet(() -> kind.isTime() ? "CURRENT_DATE" : unwritten(kind, today));
        return new BuiltRule(value, operator, Optional.of(than), Optional.empty());
    }

    /** What a rule is compared with until something is written. */
    public static String unwritten(Kind kind, LocalDate today) {
        return literal(kind.isTime() ? today.toString() : kind.isNumber() ? "0" : "", kind);
    }

    /** A value as an expression: a number by itself, a day, or a text in quotes. */
    public static String literal(String typed, Kind kind) {
        if (kind.isNumber()) {
            return typed.replace(',', '.').replaceAll("\\s", "");
        }
        return kind.isTime() ? "DATE '" + typed + "'" : "'" + typed.replace("'", "''") + "'";
    }

    /** Whether what is typed is a value of a kind already, or only its beginning: a sign, or half a day. */
    public static boolean isValue(String typed, Kind kind) {
        if (kind.isNumber()) {
            return typed.replaceAll("\\s", "").matches("-?\\d+([.,]\\d+)?");
        }
        return !kind.isTime() || typed.matches("\\d{4}-\\d\\d-\\d\\d");
    }

    private static Optional<String> typedIn(String than) {
        Matcher day = DAY.matcher(than);
        Matcher text = TEXT.matcher(than);
        if (day.matches()) {
            return Optional.of(day.group(1));
        }
        if (text.matches()) {
            return Optional.of(text.group(1).replace("''", "'"));
        }
        return NUMBER.matcher(than).matches() ? Optional.of(than.replace("- ", "-")) : Optional.empty();
    }

    /** Whether an operator compares with nothing: {@code IS NULL} and {@code IS NOT NULL}. */
    public static boolean comparesNothing(String operator) {
        return operator.equals(IS_NULL) || operator.equals(IS_NOT_NULL);
    }

    /** The rule as a condition. */
    public String text() {
        return value.text() + " " + operator + (comparesNothing(operator) ? "" : " " + than.orElseThrow());
    }
}
