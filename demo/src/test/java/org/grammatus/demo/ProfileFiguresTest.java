package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.time.format.DateTimeFormatter;
import java.util.List;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.profile.FieldProfile;
import org.grammatus.core.profile.Histogram;
import org.grammatus.core.profile.JoinMatch;
import org.grammatus.core.profile.ValueCounts;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is said of the data, every field and join of the starter datasets, against plain SQL on the same database. */
class ProfileFiguresTest {

    private static final DateTimeFormatter STORED_TIME = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm:ss");

    @ParameterizedTest
    @CsvSource({
        "sales-order-lines, 20, 6500",
        "sales-order-lines, 7, 300",
        "sales-order-lines, 8, 0",
        "purchase-order-lines, 20, 6500",
        "purchase-order-lines, 9, 400"
    })
    void equalsPlainSql(String id, long seed, int orders) throws Exception {
        Path database = DemoData.database(ScenarioSize.DEMO.withSeed(seed).withSalesOrders(orders));
        DatasetModel dataset = DatasetModel.of(Starters.dataset(id).orElseThrow());
        Star star = StarReader.over(new SqliteSource(database)).read(Reading.all(dataset), ReadProgress.SILENT);
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + database)) {
            for (DatasetModel.FieldInfo field : dataset.fields().values()) {
                check(field, star, sql);
            }
            for (int table = 1; table < dataset.tableCount(); table++) {
                check(table, star, sql);
            }
        }
    }

    private static void check(DatasetModel.FieldInfo info, Star star, Connection sql) throws Exception {
        Dataset.Field field = info.definition();
        String table = star.dataset().table(info.table()).table();
        String column = field.column();
        FieldProfile profile =
                FieldProfile.of(star.table(info.table()).fields().get(field.id()), star.sourceRows(info.table()));
        ValueCounts values = profile.values();
        List<Integer> mostFrequent = values.mostFrequent();
        String said = "%d rows, %d blank, %d different, %d at most"
                .formatted(
                        profile.rows(),
                        profile.blank(),
                        profile.distinct(),
                        mostFrequent.isEmpty() ? 0 : values.counts()[mostFrequent.getFirst()]);
        assertThat(said).as(field.id()).isEqualTo(one(sql, """
                SELECT COUNT(*) || ' rows, ' || (COUNT(*) - COUNT(%2$s)) || ' blank, ' || COUNT(DISTINCT %2$s)
                  || ' different, ' || COALESCE((SELECT MAX(n) FROM (SELECT COUNT(*) n FROM %1$s WHERE %2$s IS NOT NULL
                  GROUP BY %2$s)), 0) || ' at most' FROM %1$s""".formatted(table, column)));
        if (profile.distinct() > 0) {
            int last = profile.distinct() - 1;
            assertThat(stored(Scalars.at(values.values(), 0)) + " to " + stored(Scalars.at(values.values(), last)))
                    .as(field.id())
                    .isEqualTo(one(sql, "SELECT MIN(%2$s) || ' to ' || MAX(%2$s) FROM %1$s".formatted(table, column)));
        }
        assertThat(profile.bars().stream().mapToLong(Histogram.Bar::rows).sum())
                .as(field.id())
                .isIn(0L, values.filled());
    }

    /** A value as the database holds it: decimals as whole numbers. */
    private static String stored(Scalar value) {
        return switch (value) {
            case Scalar.Number number -> number.value().unscaledValue().toString();
            case Scalar.Timestamp time -> STORED_TIME.format(time.value());
            default -> ScalarText.write(value);
        };
    }

    private static void check(int table, Star star, Connection sql) throws Exception {
        DatasetModel dataset = star.dataset();
        Dataset.Table to = dataset.table(table);
        String from = dataset.table(dataset.pointedFrom(table)).table();
        String pointer = dataset.join(table).columns().getFirst();
        String key = to.key().getFirst();
        JoinMatch match = JoinMatch.to(table, star);
        assertThat("%d %d %d %d".formatted(match.rows(), match.without(), match.targets(), match.unused()))
                .as(to.id())
                .isEqualTo(one(sql, """
                SELECT (SELECT COUNT(*) FROM %1$s) || ' '
                  || (SELECT COUNT(*) FROM %1$s a LEFT JOIN %2$s b ON a.%3$s = b.%4$s WHERE b.%4$s IS NULL) || ' '
                  || (SELECT COUNT(*) FROM %2$s) || ' '
                  || (SELECT COUNT(*) FROM %2$s b WHERE NOT EXISTS (SELECT 1 FROM %1$s a WHERE a.%3$s = b.%4$s))""".formatted(from, to.table(), pointer, key)));
    }

    private static String one(Connection sql, String select) throws Exception {
        try (ResultSet result = sql.createStatement().executeQuery(select)) {
            result.next();
            return result.getString(1);
        }
    }
}
