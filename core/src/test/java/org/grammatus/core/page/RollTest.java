package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Paper without a height is a roll: cut where the report ends, or after five metres. */
class RollTest {

    private static final double HUNDREDTHS_OF_MM = 7200 / 25.4;
    private static final int LONGEST = (int) Math.round(5_000 * HUNDREDTHS_OF_MM);

    private static List<Page> pages(int lines) {
        Samples samples = new Samples().order("S1", "2026-01-05T10:00", "Lakeside", "5.00");
        IntStream.range(0, lines).forEach(i -> samples.line("S1", "Hives", i + ".25"));
        String report = Samples.REPORT.replace("\"paper\": \"A4\"", "\"paper\": \"A4\", \"size\": {\"width\": 90}");
        Pages pages = Pages.of(Bands.of(samples.grouped(Definitions.readReport(report), Answers.NONE)), () -> false);
        return IntStream.rangeClosed(1, pages.count()).mapToObj(pages::page).toList();
    }

    private static int end(Page page) {
        return page.bands().stream()
                .mapToInt(band -> band.top() + band.height())
                .max()
                .orElseThrow();
    }

    @Test
    void aShortReportIsCutWhereItEnds() {
        List<Page> pages = pages(10);
        assertThat(pages).hasSize(1);
        int margin = (int) Math.round(15 * HUNDREDTHS_OF_MM);
        assertThat(pages.getFirst().height() - end(pages.getFirst())).isEqualTo(margin);
        assertThat(pages.getFirst().height()).isLessThan(LONGEST / 10);
        assertThat(pages.getFirst().width()).isEqualTo((int) Math.round(90 * HUNDREDTHS_OF_MM));
    }

    @Test
    void aLongOneIsCutAfterFiveMetresAndOnceMoreWhereItEnds() {
        List<Page> pages = pages(3_000);
        assertThat(pages).hasSizeGreaterThan(1);
        assertThat(pages).allSatisfy(page -> assertThat(page.height()).isLessThanOrEqualTo(LONGEST));
        assertThat(pages.getFirst().height()).isGreaterThan(LONGEST * 9 / 10);
        assertThat(pages.getLast().height()).isLessThan(LONGEST);
        assertThat(pages.stream().flatMap(page -> page.bands().stream()).filter(band -> band.row() != Page.NONE))
                .hasSize(3_000);
    }
}
