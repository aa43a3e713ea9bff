package org.grammatus.runs.rowcache;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.math.BigInteger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.value.Type;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was written to a column file is read from it, to the last bit, or the file is refused. */
class ColumnFileTest {

    private static final DatasetModel DATASET = DatasetModel.of(Definitions.readDataset("""
            {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "Lines",
             "calendar": {"fiscalYearStart": 1}, "grain": "l",
             "tables": [{"id": "l", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}},
                        {"id": "o", "table": "order", "key": ["id"], "noun": {"one": "order", "other": "orders"}}],
             "joins": [{"id": "j", "from": "l", "to": "o", "columns": ["o"]}],
             "fields": [
               {"id": "net", "table": "l", "column": "net", "label": "Net", "type": "decimal", "scale": 2,
                "role": "additive"},
               {"id": "wide", "table": "l", "column": "wide", "label": "Wide", "type": "decimal", "scale": 18,
                "role": "additive"},
               {"id": "day", "table": "l", "column": "day", "label": "Day", "type": "date", "role": "descriptive"},
               {"id": "name", "table": "o", "column": "name", "label": "Name", "type": "text", "role": "descriptive"}]}
            """));

    private static final Set<String> ALL = Set.of("net", "wide", "day", "name");

    /** Texts that a careless writer would change. */
    private static final String[] TEXTS = {
        "", " ", "Fernhollow", "O'Brien", "ß 蜂 🐝", "\u0000", "line\nbreak", "a".repeat(300_000), "\ufeffmark"
    };

    /** Half a character, as a damaged source may hold. */
    private static final String HALF = "half \ud83d";

    @TempDir
    Path folder;

    private static Star star(Random random, int rows, int orders) {
        long[] net = random.longs(rows).toArray();
        BigInteger[] wide = new BigInteger[rows];
        long[] day = random.longs(rows, -30_000, 30_000).toArray();
        int[] links = random.ints(rows, 0, orders + 1).toArray();
        for (int row = 0; row < rows; row++) {
            wide[row] = random.nextInt(4) == 0 ? null : new BigInteger(random.nextInt(127), random).negate();
            day[row] = random.nextInt(5) == 0 ? Column.Longs.NULL : day[row];
        }
        String[] texts = TEXTS.clone();
        texts[0] = random.nextBoolean() ? HALF : texts[0];
        int[] codes = random.ints(orders + 1, -1, texts.length).toArray();
        Map<String, Column> lines = new LinkedHashMap<>();
        lines.put("net", new Column.Longs(Type.decimal(2), net));
        lines.put("wide", new Column.Wides(Type.decimal(18), wide));
        lines.put("day", new Column.Longs(Type.DATE, day));
        List<Column> keys =
                List.of(new Column.Longs(Type.INTEGER, random.longs(rows).toArray()));
        return new Star(
                DATASET,
                List.of(
                        new Star.Rows(rows, lines, keys, new int[0], 3, true),
                        new Star.Rows(
                                orders + 1,
                                Map.of("name", new Column.Texts(codes, texts)),
                                List.of(),
                                links,
                                0,
                                random.nextBoolean())));
    }

    private Path written(Star star) throws IOException {
        Path file = folder.resolve("rows.columns");
        ColumnFileWriter.write(star, file);
        return file;
    }

    @Test
    void readsWhatWasWritten() throws Exception {
        Random random = new Random(11);
        for (int rows : new int[] {0, 1, 2, 7, 1_000, 40_000, 70_000}) {
            Star star = star(random, rows, rows / 3);
            assertSame(read(written(star), ALL), star);
        }
    }

    @Test
    void readsTheFieldsThatAreWantedWithEveryLinkAndKey() throws Exception {
        Star star = star(new Random(2), 100, 10);
        Star some = read(written(star), Set.of("name"));
        assertThat(some.table(0).fields()).isEmpty();
        assertThat(some.table(1).fields()).containsOnlyKeys("name");
        assertThat(some.table(1).links()).isEqualTo(star.table(1).links());
        assertThat(some.table(0).keys()).hasSize(1);
    }

    @Test
    void aFieldThatWasNotWrittenIsMissed() throws Exception {
        Path file = written(star(new Random(2), 100, 10));
        assertThatThrownBy(() -> read(file, Set.of("name", "nothing")))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("it has other fields");
    }

    @Test
    void whateverByteIsChangedOrMissingTheFileIsRefused() throws Exception {
        Star star = star(new Random(3), 50, 9);
        byte[] good = Files.readAllBytes(written(star));
        Random random = new Random(4);
        Path bad = folder.resolve("bad.columns");
        int refused = 0;
        for (int i = 0; i < 400; i++) {
            byte[] bytes = good.clone();
            int at = random.nextInt(bytes.length);
            bytes[at] ^= (byte) (1 << random.nextInt(8));
            Files.write(bad, bytes);
            try {
                // The first mark and what fills up spans carry nothing.
                assertSame(read(bad, ALL), star);
            } catch (IOException e) {
                assertThat(e).hasMessageContaining("is damaged");
                refused++;
            }
        }
        assertThat(refused).isGreaterThan(390);
        for (int length : new int[] {0, 7, 31, 40, good.length / 2, good.length - 1}) {
            Files.write(bad, java.util.Arrays.copyOf(good, length));
            assertThatThrownBy(() -> read(bad, ALL))
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("is damaged");
        }
    }

    @Test
    void nothingHalfWrittenIsLeft() throws Exception {
        Path file = folder.resolve("taken.columns");
        Files.createDirectory(file);
        Files.writeString(file.resolve("in the way"), "");
        assertThatThrownBy(() -> ColumnFileWriter.write(star(new Random(5), 10, 2), file))
                .isInstanceOf(IOException.class);
        try (var files = Files.list(folder)) {
            assertThat(files).containsExactly(file);
        }
    }

    private static void assertSame(Star actual, Star expected) {
        for (int table = 0; table < DATASET.tableCount(); table++) {
            Star.Rows a = actual.table(table);
            Star.Rows e = expected.table(table);
            assertThat(List.of(a.size(), a.leftOut(), a.whole())).isEqualTo(List.of(e.size(), e.leftOut(), e.whole()));
            assertThat(a.links()).isEqualTo(e.links());
            assertThat(a.fields().keySet()).isEqualTo(e.fields().keySet());
            e.fields().forEach((id, column) -> assertSame(a.fields().get(id), column));
            for (int key = 0; key < e.keys().size(); key++) {
                assertSame(a.keys().get(key), e.keys().get(key));
            }
        }
    }

    private static void assertSame(Column actual, Column expected) {
        assertThat(actual.type()).isEqualTo(expected.type());
        switch (expected) {
            case Column.Longs e -> assertThat(((Column.Longs) actual).values()).isEqualTo(e.values());
            case Column.Wides e -> assertThat(((Column.Wides) actual).values()).isEqualTo(e.values());
            case Column.Texts e -> {
                assertThat(((Column.Texts) actual).codes()).isEqualTo(e.codes());
                assertThat(((Column.Texts) actual).dictionary()).isEqualTo(e.dictionary());
            }
        }
    }

    private static Star read(Path file, Set<String> fields) throws IOException {
        return ColumnFileReader.read(file, DATASET, fields);
    }
}
