package org.grammatus.core.dataset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.definition.document.Definitions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Meaning 5: buckets of a date, by the fiscal calendar where they are fiscal. */
@Meaning(5)
class DateBucketTest {

    @ParameterizedTest
    @CsvSource({
        "DAY, 10, 2026-02-28, 2026-02-28, 28 Feb 2026",
        "MONTH, 10, 2026-02-28, 2026-02-01, February 2026",
        "YEAR, 10, 2026-12-31, 2026-01-01, 2026",
        "FISCAL_YEAR, 10, 2026-09-30, 2025-10-01, 2025/26",
        "FISCAL_YEAR, 10, 2026-10-01, 2026-10-01, 2026/27",
        "FISCAL_YEAR, 10, 1999-12-31, 1999-10-01, 1999/00",
        "FISCAL_YEAR, 1, 2026-12-31, 2026-01-01, 2026",
        "FISCAL_YEAR, 4, 1960-03-31, 1959-04-01, 1959/60",
        "WEEK, 10, 2026-01-01, 2025-12-29, 2026-W01",
        "WEEK, 10, 2027-01-03, 2026-12-28, 2026-W53",
        "QUARTER, 10, 2026-12-31, 2026-10-01, Q4 2026",
        "FISCAL_QUARTER, 10, 2026-12-31, 2026-10-01, Q1 2026/27",
        "FISCAL_QUARTER, 10, 2026-09-30, 2026-07-01, Q4 2025/26",
        "FISCAL_QUARTER, 2, 2026-01-31, 2025-11-01, Q4 2025/26"
    })
    void aDayLiesInItsBucket(Bucket bucket, int startMonth, LocalDate day, LocalDate start, String label) {
        DateBucket dates = new DateBucket(bucket, new FiscalCalendar(startMonth));
        assertThat(LocalDate.ofEpochDay(dates.key(day.toEpochDay()))).isEqualTo(start);
        assertThat(dates.label(start.toEpochDay(), ULocale.UK)).isEqualTo(label);
    }

    @ParameterizedTest
    @CsvSource({
        "DAY_OF_WEEK, 2026-11-20, 5, Friday",
        "DAY_OF_WEEK, 1969-12-28, 7, Sunday",
        "MONTH_OF_YEAR, 2026-03-31, 3, March",
        "FISCAL_MONTH, 2026-10-01, 1, October",
        "FISCAL_MONTH, 2026-09-30, 12, September",
        "QUARTER_OF_YEAR, 2026-05-01, 2, Q2"
    })
    void aDayHasItsPlaceInACycle(Bucket bucket, LocalDate day, long key, String label) {
        DateBucket cycle = new DateBucket(bucket, new FiscalCalendar(10));
        assertThat(cycle.isCyclic()).isTrue();
        assertThat(cycle.key(day.toEpochDay())).isEqualTo(key);
        assertThat(cycle.label(key, ULocale.UK)).isEqualTo(label);
    }

    /** A span ends where the next begins, whatever the day. */
    @ParameterizedTest
    @EnumSource(
            names = {"DAY_OF_WEEK", "MONTH_OF_YEAR", "FISCAL_MONTH", "QUARTER_OF_YEAR"},
            mode = EnumSource.Mode.EXCLUDE)
    void spansMeet(Bucket bucket) {
        DateBucket spans = new DateBucket(bucket, new FiscalCalendar(10));
        for (long day = -800; day < 800; day++) {
            long start = spans.key(day);
            assertThat(day).isBetween(start, spans.next(start) - 1);
            assertThat(spans.key(start)).isEqualTo(start);
            assertThat(spans.key(spans.next(start))).isEqualTo(spans.next(start));
        }
    }

    /** 3.1: every table is reached from the grain by one path of to-one joins. */
    @Test
    void aTableThatIsNotReachedOrReachedTwiceIsSaid() {
        String unreached = Samples.DATASET.replace(
                "\"joins\": [{\"id\": \"line-order\", \"from\": \"lines\", \"to\": \"orders\", \"columns\": [\"order\"]}]",
                "\"joins\": []");
        assertThatThrownBy(() -> DatasetModel.of(Definitions.readDataset(unreached)))
                .hasMessage(
                        "/tables/1: table \"orders\" is not reached from \"lines\" by to-one joins; add a join, or remove"
                                + " the table");
        String twice = Samples.DATASET.replace(
                "\"joins\": [",
                "\"joins\": [{\"id\": \"again\", \"from\": \"lines\", \"to\": \"orders\", \"columns\": [\"a\", \"b\"]},");
        assertThatThrownBy(() -> DatasetModel.of(Definitions.readDataset(twice)))
                .hasMessageContaining("/joins/0/columns: found 2 columns, expected 1")
                .hasMessageContaining("/joins/1: table \"orders\" is reached a second time");
    }
}
