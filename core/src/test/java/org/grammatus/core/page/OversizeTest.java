package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** What is far too large for a page neither fails a run nor takes long: it is cut, flows on, or is refused in words. */
class OversizeTest {

    private static Bands bands(Samples samples, String report) {
        return Bands.of(samples.grouped(Definitions.readReport(report), Answers.NONE));
    }

    private static String withColumns(String columns) {
        return Samples.REPORT
                .replaceAll("(?s)\"columns\":.*\"totals\":", "\"columns\": [" + columns + "], \"totals\":")
                .replaceAll("(?s)\"totals\": \\[.*?\\]\\}\\],\\s*\"counts\"", "\"totals\": [], \"counts\"");
    }

    @Test
    void aCellOfTenThousandCharactersIsCutAndMarked() {
        String words = "honey ".repeat(1_667);
        Samples samples = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", words, "30.00")
                .line("S1", "x".repeat(10_000), "20.00");
        Pages pages = Pages.of(
                bands(
                        samples,
                        withColumns("{\"id\": \"c-category\", \"label\": \"Category\", \"value\": \"category\"}")),
                () -> false);
        Page page = pages.page(1);
        int column = page.ids().indexOf("c-category");
        assertThat(page.cells().stream().filter(cell -> cell.id() == column)).hasSize(2 * TypeSetting.MOST_LINES + 1);
        assertThat(page.texts().stream().filter(text -> text.endsWith("…"))).hasSize(2);
        assertThat(pages.count()).isEqualTo(1);
    }

    @Test
    void aGroupOfFiftyThousandRowsThatIsToBeKeptTogetherFlows() {
        Samples samples = new Samples().order("S1", "2026-01-05T10:00", "Lakeside", "5.00");
        IntStream.range(0, 50_000).forEach(i -> samples.line("S1", "Hives", i + ".25"));
        Bands bands = bands(
                samples,
                Samples.REPORT.replace(
                        "\"name\": \"Region\"", "\"name\": \"Region\", \"layout\": {\"keepTogether\": true}"));
        long start = System.nanoTime();
        Pages pages = Pages.of(bands, () -> false);
        int rows = IntStream.rangeClosed(1, pages.count())
                .map(number -> (int) pages.page(number).bands().stream()
                        .filter(band -> band.row() != Page.NONE)
                        .count())
                .sum();
        assertThat(rows).isEqualTo(50_000);
        assertThat(Duration.ofNanos(System.nanoTime() - start)).isLessThan(Duration.ofSeconds(20));
    }

    @Test
    void aHundredAndTwentyColumnsAreRefusedInWords() {
        Samples samples = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "30.00");
        String columns = IntStream.range(0, 120)
                .mapToObj(i -> "{\"id\": \"c%d\", \"label\": \"C%d\", \"value\": \"net\"}".formatted(i, i))
                .collect(Collectors.joining(", "));
        assertThatThrownBy(() -> Pages.of(bands(samples, withColumns(columns)), () -> false))
                .hasMessageContaining("the columns do not fit the paper, even in small type")
                .hasMessageContaining("use landscape");
    }
}
