package org.grammatus.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Types, scales and the places where things may stand; faults name the nearest right thing. */
class TypingTest {

    private static final Map<String, Type> FIELDS = Map.of(
            "amount", Type.decimal(2),
            "rate", Type.decimal(4),
            "quantity", Type.INTEGER,
            "name", Type.TEXT,
            "ordered_at", Type.TIMESTAMP,
            "due", Type.DATE);

    private static final Names NAMES = new Names() {
        @Override
        public Optional<Typed> field(String name, boolean quoted) {
            return FIELDS.keySet().stream()
                    .filter(id -> quoted ? id.equals(name) : id.equalsIgnoreCase(name))
                    .findFirst()
                    .map(id -> new Typed.Field(id, FIELDS.get(id)));
        }

        @Override
        public Map<String, String> fieldLabels() {
            return FIELDS.keySet().stream().collect(Collectors.toMap(name -> name, name -> name));
        }

        @Override
        public Optional<Scalar> prompt(String name) {
            return name.equals("period_from") ? Optional.of(new Scalar.Null(Type.DATE)) : Optional.empty();
        }

        @Override
        public Collection<String> promptNames() {
            return List.of("period_from");
        }

        @Override
        public LocalDate currentDate() {
            return LocalDate.of(2026, 11, 20);
        }
    };

    private static Typed type(String text, Typing.Place place) {
        return Typing.type(ExpressionParser.parse(text), NAMES, place);
    }

    /** Meaning 1.1: + and - keep the larger scale, * adds scales, / and AVG add eight to the larger. */
    @ParameterizedTest
    @CsvSource({
        "amount + rate, DECIMAL, 4",
        "amount * rate, DECIMAL, 6",
        "quantity * quantity, INTEGER, 0",
        "quantity / 3, DECIMAL, 8",
        "amount / rate, DECIMAL, 12",
        "rate * rate * rate * rate * rate, DECIMAL, 18",
        "name || 'x', TEXT, 0",
        "CURRENT_DATE - due, INTEGER, 0",
        "'COALESCE(amount, rate)', DECIMAL, 4",
        "name LIKE name, BOOLEAN, 0",
        "due + INTERVAL '1' DAY, DATE, 0",
        "due < ordered_at, BOOLEAN, 0",
        "CASE WHEN quantity > 1 THEN quantity ELSE amount END, DECIMAL, 2",
        "AMOUNT, DECIMAL, 2",
        "UPPER(name), TEXT, 0",
        "CHAR_LENGTH(name), INTEGER, 0",
        "'ROUND(rate, 2)', DECIMAL, 2",
        "ROUND(rate), INTEGER, 0",
        "'ROUND(amount, 9)', DECIMAL, 2",
        "'MOD(amount, rate)', DECIMAL, 4",
        "'NULLIF(amount, 0)', DECIMAL, 2",
        "FLOOR(amount), INTEGER, 0",
        "'CAST(name AS DECIMAL(9, 3))', DECIMAL, 3",
        "CAST(ordered_at AS DATE), DATE, 0",
        "EXTRACT(YEAR FROM due), INTEGER, 0",
        "due + INTERVAL '1' MONTH, DATE, 0"
    })
    void typesARowsExpressions(String text, String kind, int scale) {
        Type type = type(text, Typing.Place.ROW).type();
        assertThat(type.kind()).hasToString(kind);
        assertThat(type.scale()).isEqualTo(scale);
    }

    @ParameterizedTest
    @CsvSource({"SUM(amount), 2", "AVG(amount), 10", "COUNT(name), 0", "SUM(amount) / COUNT(*), 10", "MAX(rate), 4"})
    void typesAScopesExpressions(String text, int scale) {
        assertThat(type(text, Typing.Place.SCOPE).type().scale()).isEqualTo(scale);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1 + amout | 1:5 unknown field \"amout\"; did you mean \"amount\"?",
                "due > :period_form | 1:7 unknown prompt \":period_form\"; did you mean \"period_from\"?",
                "name + 1 | 1:1 found a text, expected a number",
                "quantity = 'x' | 1:12 found a text, expected a whole number to compare with",
                "quantity AND TRUE | 1:1 found a whole number, expected a condition, which is true or false",
                "SUM(amount) | 1:1 an aggregate has no rows to work on here; it stands in a total or an order",
                "CASE WHEN TRUE THEN 1 ELSE 'x' END | 1:28 found a text, expected a whole number as in the results before",
                "UPPER(quantity) | 1:7 found a whole number, expected a text",
                "SUBSTRING(name FROM amount) | 1:21 found a decimal number, expected a whole number",
                "ROUND(rate, quantity) | 1:13 expected how many digits after the point are kept, a number from 0 to 18",
                "EXTRACT(HOUR FROM due) | 1:19 found a date, expected a timestamp",
                "EXTRACT(YEAR FROM name) | 1:19 found a text, expected a date or a timestamp",
                "CAST(quantity AS DATE) | 1:6 found a whole number, which cannot be made a date",
                "INTERVAL '1' MONTH | 1:1 an interval can only be added to or taken from a date or timestamp",
                "name + INTERVAL '1' DAY | 1:1 found a text, expected a date or a timestamp"
            })
    void saysWhatIsWrongInARow(String text, String message) {
        assertThatThrownBy(() -> type(text, Typing.Place.ROW)).hasMessage(message);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "quantity | NULLIF(@, 1)",
                "TRUE | (@) BETWEEN FALSE AND TRUE",
                "TRUE | (@) IN (TRUE, FALSE)",
                "quantity | CASE @ WHEN 1 THEN 2 WHEN 2 THEN 3 END"
            })
    void whatDoublesAtEveryStepIsRefusedBeforeItGrows(String innermost, String step) {
        String text = innermost;
        for (int i = 0; i < 60; i++) {
            text = step.replace("@", text);
        }
        String grown = text;
        assertThatThrownBy(() -> type(grown, Typing.Place.ROW)).hasMessageContaining("has more than 20000 parts");
    }

    @Test
    void aScopeHasNoSingleValueOfAField() {
        assertThatThrownBy(() -> type("SUM(amount) + quantity", Typing.Place.SCOPE))
                .hasMessage("1:15 field \"quantity\" has many values here; put it into SUM, COUNT, AVG, MIN or MAX");
        assertThatThrownBy(() -> type("SUM(SUM(amount))", Typing.Place.SCOPE)).hasMessageContaining("1:5 an aggregate");
        assertThatThrownBy(() -> type("SUM(name)", Typing.Place.SCOPE))
                .hasMessage("1:5 found a text, expected a number for SUM");
    }
}
