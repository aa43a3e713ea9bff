package org.grammatus.core.modelling;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/**
 * What a column probably means, told by its name, type and some values; an author mends what is guessed wrong.
 *
 * @param type of the field's values
 * @param role whether adding its values up means anything
 */
record FieldGuess(Type type, Dataset.Role role, Optional<String> format) {

    private static final int MONEY_SCALE = 2;
    private static final String MONEY = "#,##0.00";

    private static final Set<String> MONEY_WORDS = Set.of(
            "price",
            "amount",
            "cost",
            "costs",
            "freight",
            "revenue",
            "sales",
            "fee",
            "fees",
            "tax",
            "vat",
            "value",
            "turnover",
            "payment",
            "salary",
            "budget",
            "margin",
            "net",
            "gross");

    /** Of figures that are said of one thing: adding them up means nothing. */
    private static final Set<String> RATE_WORDS = Set.of(
            "price",
            "rate",
            "percent",
            "percentage",
            "pct",
            "ratio",
            "share",
            "discount",
            "average",
            "avg",
            "mean",
            "factor",
            "score",
            "rating",
            "temperature",
            "age",
            "margin",
            "index",
            "latitude",
            "longitude",
            "lat",
            "lon",
            "unit",
            "list",
            "per",
            "width",
            "height",
            "depth",
            "level");

    /** Of numbers and texts that only tell things apart. */
    private static final Set<String> IDENTIFIER_WORDS = Set.of(
            "id",
            "key",
            "code",
            "number",
            "no",
            "nr",
            "num",
            "uuid",
            "guid",
            "sku",
            "isbn",
            "ean",
            "phone",
            "fax",
            "postcode",
            "zip",
            "iban",
            "reference",
            "ref",
            "revision",
            "version",
            "year",
            "month",
            "week",
            "quarter",
            "day",
            "position",
            "pos",
            "rank",
            "sequence",
            "seq",
            "serial",
            "barcode",
            "email");

    /**
     * Guesses a column of a table.
     *
     * @param type that the column has
     */
    static FieldGuess of(TableShape table, TableShape.Column column, Type type, ColumnSample sample) {
        Type valueType = valueType(table, column, type, sample);
        Dataset.Role role = role(table, column, valueType);
        return new FieldGuess(valueType, role, format(column, valueType, role));
    }

    private static Type valueType(TableShape table, TableShape.Column column, Type type, ColumnSample sample) {
        if (type.kind() == Kind.TEXT) {
            return sample.all(FieldGuess::isDate)
                    ? Type.DATE
                    : sample.all(value -> isDate(value) || isTimestamp(value)) ? Type.TIMESTAMP : type;
        }
        boolean money = NameWords.has(column.name(), MONEY_WORDS) && !isIdentifier(table, column);
        boolean hundredths = type.kind() == Kind.INTEGER && !table.exactDecimals();
        return money && (hundredths || column.binary()) ? Type.decimal(MONEY_SCALE) : type;
    }

    private static boolean isDate(String text) {
        try {
            LocalDate.parse(text);
            return true;
        } catch (DateTimeParseException e) {
            return false;
        }
    }

    private static boolean isTimestamp(String text) {
        try {
            LocalDateTime.parse(text.replace(' ', 'T'));
            return true;
        } catch (DateTimeParseException e) {
            return false;
        }
    }

    private static Dataset.Role role(TableShape table, TableShape.Column column, Type type) {
        boolean number = type.kind() == Kind.INTEGER || type.kind() == Kind.DECIMAL;
        boolean text = type.kind() == Kind.TEXT;
        if ((number || text) && isIdentifier(table, column)) {
            return Dataset.Role.IDENTIFIER;
        }
        if (!number) {
            return Dataset.Role.DESCRIPTIVE;
        }
        return NameWords.has(column.name(), RATE_WORDS) ? Dataset.Role.NOT_ADDITIVE : Dataset.Role.ADDITIVE;
    }

    private static boolean isIdentifier(TableShape table, TableShape.Column column) {
        return isKey(table, column.name()) || IDENTIFIER_WORDS.contains(NameWords.last(column.name()));
    }

    /** Whether a column is there to tell rows apart or to point to others. */
    static boolean isKey(TableShape table, String column) {
        return table.key().contains(column)
                || table.references().stream()
                        .anyMatch(reference -> reference.columns().contains(column));
    }

    private static Optional<String> format(TableShape.Column column, Type type, Dataset.Role role) {
        if (role == Dataset.Role.IDENTIFIER && type.kind() == Kind.INTEGER) {
            return Optional.of("0");
        }
        boolean money = type.kind() == Kind.DECIMAL && NameWords.has(column.name(), MONEY_WORDS);
        return money ? Optional.of(MONEY) : Optional.empty();
    }
}
