package org.grammatus.core.columnar;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.Meaning;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 1 on columns: exact decimals, half away from zero, three-valued logic, code points. */
@Meaning({1, 18})
class EvaluatorTest {

    private static final Map<String, Column> FIELDS = Map.of(
            "n", new Column.Longs(Type.INTEGER, new long[] {Column.Longs.NULL}),
            "big", new Column.Longs(Type.INTEGER, new long[] {Long.MAX_VALUE}),
            "huge", new Column.Wides(Type.INTEGER, new BigInteger[] {BigInteger.TEN.pow(37)}),
            "zero", new Column.Longs(Type.INTEGER, new long[] {0}),
            "amount", new Column.Longs(Type.decimal(2), new long[] {-1050}),
            "name", new Column.Texts(new int[] {0}, new String[] {"Ångström"}),
            "none", new Column.Texts(new int[] {Column.Texts.NULL}, new String[0]));

    private static final Names NAMES = new Names() {
        @Override
        public Optional<Typed> field(String name, boolean quoted) {
            return Optional.ofNullable(FIELDS.get(name)).map(c -> new Typed.Field(name, c.type()));
        }

        @Override
        public Map<String, String> fieldLabels() {
            return FIELDS.keySet().stream().collect(Collectors.toMap(name -> name, name -> name));
        }

        @Override
        public Optional<Scalar> prompt(String name) {
            return Optional.empty();
        }

        @Override
        public Collection<String> promptNames() {
            return List.of();
        }

        @Override
        public LocalDate currentDate() {
            return LocalDate.of(2026, 11, 20);
        }
    };

    private final Faults faults = new Faults();

    private Scalar value(String text) {
        Typed typed = Typing.type(ExpressionParser.parse(text), NAMES, Typing.Place.ROW);
        Column column = Evaluator.evaluate(
                typed,
                new EvaluationContext() {
                    @Override
                    public int size() {
                        return 1;
                    }

                    @Override
                    public Column field(String id) {
                        return FIELDS.get(id);
                    }
                },
                faults);
        return Scalars.at(column, 0);
    }

    @ParameterizedTest
    @CsvSource({
        "1 / 3, 0.33333333",
        "2 / 3, 0.66666667",
        "-2 / 3, -0.66666667",
        "0.1 + 0.2, 0.3",
        "1.10 * 1.1, 1.210",
        "amount * 2, -21.00",
        "amount / 4, -2.6250000000",
        "- amount, 10.50",
        "big + 1, 9223372036854775808",
        "big * big, 85070591730234615847396907784232501249",
        "huge + huge, 20000000000000000000000000000000000000",
        "CASE WHEN n > 1 THEN 1 WHEN zero = 0 THEN amount ELSE 7 END, -10.50",
        "CASE name WHEN 'x' THEN 1 ELSE 2 END, 2",
        "CHAR_LENGTH(name), 8",
        "'POSITION(''m'' IN name)', 8",
        "'POSITION(''z'' IN name)', 0",
        "ABS(amount), 10.50",
        "FLOOR(amount), -11",
        "CEILING(amount), -10",
        "FLOOR(-3), -3",
        "CEILING(2.0001), 3",
        "'ROUND(amount, 1)', -10.5",
        "ROUND(amount), -11",
        "ROUND(2.5), 3",
        "'MOD(amount, 4)', -2.50",
        "'MOD(7, 3)', 1",
        "'MOD(-7, 3)', -1",
        "'NULLIF(amount, 0)', -10.50",
        "'CAST(''12.345'' AS DECIMAL(9, 2))', 12.35",
        "CAST(amount AS INTEGER), -11",
        "'CAST('' 7 '' AS INTEGER)', 7",
        "'EXTRACT(QUARTER FROM DATE ''2026-05-31'')', 2",
        "'EXTRACT(MINUTE FROM TIMESTAMP ''2026-05-31 23:41:00'')', 41",
        "'EXTRACT(DAY FROM DATE ''1965-02-28'')', 28"
    })
    void computesExactly(String text, String expected) {
        assertThat(((Scalar.Number) value(text)).value()).isEqualTo(new BigDecimal(expected));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "n = n | unknown",
                "n IS NULL | true",
                "NOT (n = 1) | unknown",
                "n = 1 OR TRUE | true",
                "n = 1 AND FALSE | false",
                "n = 1 AND TRUE | unknown",
                "1 IN (2, n) | unknown",
                "1 IN (1, n) | true",
                "1 NOT IN (2, n) | unknown",
                "n BETWEEN 1 AND 2 | unknown",
                "5 NOT BETWEEN n AND 3 | true",
                "name = 'ångström' | false",
                "name > 'Z' | true",
                "'a' < 'a ' | true",
                "amount = -10.5 | true",
                "'' IS NULL | false",
                "none IS NULL | true",
                "DATE '2026-01-31' < TIMESTAMP '2026-01-31 00:00:01' | true",
                "DATE '2026-01-31' + INTERVAL '1' DAY = DATE '2026-02-01' | true",
                "DATE '2026-01-31' + INTERVAL '1' MONTH = DATE '2026-02-28' | true",
                "DATE '2024-02-29' - INTERVAL '1' YEAR = DATE '2023-02-28' | true",
                "TIMESTAMP '2026-01-31 23:30:00' + INTERVAL '1' MONTH = TIMESTAMP '2026-02-28 23:30:00' | true",
                "CAST(TIMESTAMP '1969-12-31 23:30:00' AS DATE) = DATE '1969-12-31' | true",
                "CAST(DATE '2026-01-31' AS TIMESTAMP) = TIMESTAMP '2026-01-31 00:00:00' | true",
                "CAST(amount AS VARCHAR) = '-10.50' | true",
                "CAST(DATE '2026-01-31' AS VARCHAR) = '2026-01-31' | true",
                "CAST('yes' AS BOOLEAN) | true",
                "CAST('2026-02-30' AS DATE) IS NULL | true",
                "CAST('many' AS INTEGER) IS NULL | true",
                "CAST(none AS DATE) IS NULL | true",
                "UPPER(name) = 'ÅNGSTRÖM' | true",
                "LOWER(name) = 'ångström' | true",
                "TRIM('  a b ') = 'a b' | true",
                "SUBSTRING(name FROM 2 FOR 3) = 'ngs' | true",
                "SUBSTRING(name FROM 7) = 'öm' | true",
                "SUBSTRING(name FROM 0 FOR 2) = 'Å' | true",
                "SUBSTRING(name FROM 99) = '' | true",
                "SUBSTRING(name FROM 2 FOR -5) = '' | true",
                "SUBSTRING(none FROM 1) IS NULL | true",
                "UPPER(none) IS NULL | true",
                "MOD(1, zero) IS NULL | true",
                "NULLIF(zero, 0) IS NULL | true",
                "ROUND(n) IS NULL | true",
                "huge > big | true",
                "name LIKE 'Ång%' | true",
                "name LIKE '%ström' | true",
                "name LIKE '_ngstr_m' | true",
                "name LIKE 'ång%' | false",
                "name LIKE '%' | true",
                "name LIKE '' | false",
                "name NOT LIKE '%z%' | true",
                "none LIKE '%' | unknown",
                "'50%' LIKE '50!%' ESCAPE '!' | true",
                "'50x' LIKE '50!%' ESCAPE '!' | false",
                "'aXbXc' LIKE '%X%X%' | true",
                "'🐝!' LIKE '_!' | true",
                "COALESCE(n, zero) = 0 | true",
                "COALESCE(none, none) IS NULL | true",
                "CURRENT_DATE - DATE '2026-11-01' = 19 | true",
                "DATE '2024-02-28' - DATE '2024-03-01' = -2 | true"
            })
    void followsSqlsLogic(String text, String expected) {
        Scalar value = value(text);
        String found = value instanceof Scalar.Bool b ? Boolean.toString(b.value()) : "unknown";
        assertThat(found).isEqualTo(expected);
    }

    @Test
    void divisionByZeroIsNullAndSaidSo() {
        assertThat(value("amount / zero")).isInstanceOf(Scalar.Null.class);
        assertThat(faults.found()).containsOnlyKeys(Faults.Kind.DIVISION_BY_ZERO);
    }

    @Test
    void beyond38DigitsIsNullAndSaidSoNeverWrapped() {
        assertThat(value("huge * 10 * 10")).isInstanceOf(Scalar.Null.class);
        assertThat(faults.found().get(Faults.Kind.TOO_LARGE).cardinality()).isEqualTo(1);
    }

    @Test
    void joinsTexts() {
        assertThat(value("name || '!'")).isEqualTo(new Scalar.Text("Ångström!"));
    }
}
