package org.grammatus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigInteger;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.grammatus.core.Samples;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What a dataset's data is like, over small tables written down here. */
class ProfileTest {

    /** Three lines of A, one of B, one of an order that is not there; C has no lines. */
    private static Star star() {
        return new Samples()
                .order("A", "2026-01-10T08:00:00", "Lakeside", "10.00")
                .order("B", "2026-02-10T08:00:00", null, "10.00")
                .order("C", "2026-03-10T08:00:00", "", "0.00")
                .line("A", "Hives", "5.00")
                .line("A", "Feed", "7.50")
                .line("A", null, "5.00")
                .line("B", "Hives", null)
                .line("Z", "Hivés & more", "-1.25")
                .star();
    }

    private static FieldProfile profile(String field) {
        return profile(star(), field);
    }

    private static FieldProfile profile(Star star, String field) {
        int home = star.dataset().field(field).table();
        return FieldProfile.of(star.table(home).fields().get(field), star.sourceRows(home));
    }

    private static List<String> texts(ValueCounts values) {
        return IntStream.range(0, values.counts().length)
                .mapToObj(i -> ScalarText.write(Scalars.at(values.values(), i)) + " × " + values.counts()[i])
                .toList();
    }

    @Test
    void aFieldIsCountedOnceForEachRowOfItsHomeTable() {
        FieldProfile freight = profile("freight");
        assertThat(freight.rows()).isEqualTo(3);
        assertThat(texts(freight.values())).containsExactly("0.00 × 1", "10.00 × 2");
        assertThat(profile("net").rows()).isEqualTo(5);
    }

    @Test
    void blankAndTheEmptyTextAreTwoThings() {
        FieldProfile region = profile("region");
        assertThat(region.blank()).isEqualTo(1);
        assertThat(region.emptyTexts()).isEqualTo(1);
        assertThat(region.distinct()).isEqualTo(2);
        assertThat(texts(region.values())).containsExactly(" × 1", "Lakeside × 1");
    }

    @Test
    void theMostFrequentComeFirstAndEqualOnesAscend() {
        ValueCounts net = profile("net").values();
        assertThat(net.mostFrequent().stream().map(texts(net)::get))
                .containsExactly("5.00 × 2", "-1.25 × 1", "7.50 × 1");
        assertThat(net.blank()).isEqualTo(1);
    }

    @Test
    void aJoinTellsWhatHasNoneAndWhatIsNeverReached() {
        assertThat(JoinMatch.to(1, star())).isEqualTo(new JoinMatch(5, 1, 3, 1, 0));
    }

    @Test
    void noRowsAtAllAreAProfileToo() {
        Star none = new Samples().star();
        FieldProfile net = profile(none, "net");
        assertThat(net.rows()).isZero();
        assertThat(net.distinct()).isZero();
        assertThat(net.bars()).isEmpty();
        assertThat(JoinMatch.to(1, none)).isEqualTo(new JoinMatch(0, 0, 0, 0, 0));
    }

    @Test
    void aTextIsFoundWhateverFieldHoldsItIgnoringCaseAndAccents() {
        List<DataSearch.Found> found = DataSearch.of("hives", star());
        assertThat(found.stream().map(f -> f.field() + " " + f.text() + " " + f.grainRows()))
                .containsExactly("category Hives 2", "category Hivés & more 1");
        assertThat(DataSearch.of("lake", star()).getFirst().grainRows()).isEqualTo(3);
        assertThat(DataSearch.of("  ", star())).isEmpty();
        assertThat(DataSearch.of("nowhere", star())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0, 39, 2", "0, 38, 1", "0, 100, 5", "-7, 993, 50", "5, 6, 1", "0, 1000000, 50000"})
    void numbersFallIntoClassesOfARoundWidth(long first, long last, long width) {
        List<Histogram.Bar> bars = Histogram.of(counted(Type.INTEGER, first, last));
        long from = Long.parseLong(ScalarText.write(bars.getFirst().from()));
        long below = Long.parseLong(ScalarText.write(bars.getFirst().below()));
        assertThat(below - from).isEqualTo(width);
        assertThat(from).isLessThanOrEqualTo(first);
        assertThat(Math.floorMod(from, width)).isZero();
    }

    @ParameterizedTest
    @CsvSource({
        "2026-01-01, 2026-02-09, 40, 2026-01-01, 2026-01-02",
        "2026-01-15, 2026-03-01, 3, 2026-01-01, 2026-02-01",
        "2020-01-15, 2026-03-01, 7, 2020-01-01, 2021-01-01",
        "1800-01-15, 2026-03-01, 38, 1800-01-01, 1806-01-01"
    })
    void datesFallIntoDaysMonthsOrYears(LocalDate first, LocalDate last, int classes, String from, String below) {
        List<Histogram.Bar> bars = Histogram.of(counted(Type.DATE, first.toEpochDay(), last.toEpochDay()));
        assertThat(bars).hasSize(classes);
        assertThat(ScalarText.write(bars.getFirst().from())).isEqualTo(from);
        assertThat(ScalarText.write(bars.getFirst().below())).isEqualTo(below);
    }

    @Test
    void aTimestampLiesInTheClassOfItsDay() {
        long lateEvening = Scalars.micros(LocalDate.of(2026, 1, 1).atTime(23, 30));
        long nextDay = Scalars.micros(LocalDate.of(2026, 1, 2).atStartOfDay());
        List<Histogram.Bar> bars = Histogram.of(counted(Type.TIMESTAMP, lateEvening, nextDay));
        assertThat(bars.stream().map(Histogram.Bar::rows)).containsExactly(1, 1);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void classesHoldEveryRowOnceAndAreNeverTooMany(long seed) {
        Random random = new Random(seed);
        long[] held = random.longs(500, -1L << random.nextInt(1, 62), 1L << random.nextInt(1, 62))
                .toArray();
        for (Type type : List.of(Type.INTEGER, Type.decimal(2))) {
            ValueCounts values = counted(type, held);
            List<Histogram.Bar> bars = Histogram.of(values);
            assertThat(bars).hasSizeBetween(1, Histogram.MOST_CLASSES);
            assertThat(bars.stream().mapToLong(Histogram.Bar::rows).sum()).isEqualTo(values.filled());
            assertThat(bars.getFirst().rows()).isPositive();
            assertThat(bars.getLast().rows()).isPositive();
        }
    }

    @Test
    void numbersBeyond64BitsAreCountedToo() {
        BigInteger huge = BigInteger.TWO.pow(100);
        Column wides =
                new Column.Wides(Type.decimal(2), new BigInteger[] {huge, null, BigInteger.ONE, huge, huge.negate()});
        ValueCounts values = ValueCounts.of(wides, new int[] {1, 1, 1, 1, 1});
        assertThat(values.counts()).containsExactly(1, 1, 2);
        assertThat(values.blank()).isEqualTo(1);
        assertThat(Histogram.of(values).stream().mapToInt(Histogram.Bar::rows).sum())
                .isEqualTo(4);
    }

    private static ValueCounts counted(Type type, long... held) {
        int[] once = new int[held.length];
        Arrays.fill(once, 1);
        return ValueCounts.of(new Column.Longs(type, LongStream.of(held).toArray()), once);
    }
}
