package org.grammatus.core.value;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Optional;

/** Single values as people, files and addresses write them: {@code 12.5}, {@code 2026-01-31}, {@code yes}. */
public final class ScalarText {

    private ScalarText() {}

    /**
     * Reads a value of a type.
     *
     * @throws IllegalArgumentException that says what was expected
     */
    public static Scalar parse(String text, Type type) {
        String trimmed = text.trim();
        try {
            return switch (type.kind()) {
                case TEXT -> new Scalar.Text(text);
                case INTEGER -> Scalar.Number.of(Long.parseLong(trimmed));
                case DECIMAL -> Scalar.Number.decimal(Decimals.parse(trimmed));
                case DATE -> new Scalar.Date(LocalDate.parse(trimmed));
                case TIMESTAMP -> new Scalar.Timestamp(time(trimmed));
                case BOOLEAN -> new Scalar.Bool(truth(trimmed));
            };
        } catch (IllegalArgumentException | DateTimeException e) {
            Optional<String> noDay = type.isTime() ? Days.whyNone(text) : Optional.empty();
            throw new IllegalArgumentException(
                    noDay.orElseGet(() -> "found \"" + shortened(text) + "\", expected " + expected(type)));
        }
    }

    /** Writes a value so that it reads back. */
    public static String write(Scalar value) {
        return switch (value) {
            case Scalar.Null n -> "";
            case Scalar.Text t -> t.value();
            case Scalar.Number n -> n.value().toPlainString();
            case Scalar.Date d -> d.value().toString();
            case Scalar.Timestamp t -> iso(t).replace('T', ' ');
            case Scalar.Bool b -> b.value() ? "yes" : "no";
        };
    }

    /** A timestamp as ISO 8601 has it, always with its seconds: {@code 2026-01-31T23:30:00}. */
    public static String iso(Scalar.Timestamp time) {
        return DateTimeFormatter.ISO_LOCAL_DATE_TIME.format(time.value());
    }

    private static LocalDateTime time(String text) {
        return text.length() <= 10 ? LocalDate.parse(text).atStartOfDay() : LocalDateTime.parse(text.replace(' ', 'T'));
    }

    private static boolean truth(String text) {
        return switch (text) {
            case "yes", "true" -> true;
            case "no", "false" -> false;
            default -> throw new IllegalArgumentException(text);
        };
    }

    private static String expected(Type type) {
        return switch (type.kind()) {
            case TEXT -> "a text";
            case INTEGER -> "a whole number such as 12";
            case DECIMAL -> "a number such as 12.50";
            case DATE -> "a date such as 2026-01-31";
            case TIMESTAMP -> "a date or a timestamp such as 2026-01-31 23:30:00";
            case BOOLEAN -> "yes or no";
        };
    }

    private static String shortened(String text) {
        return text.length() > 60 ? text.substring(0, 60) + "…" : text;
    }
}
