package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A report fits the pages that it is allowed, in smaller type, down to half. */
class FewPagesTest {

    private static final Samples ROWS = rows();

    private static Samples rows() {
        Samples rows = new Samples();
        for (int order = 0; order < 60; order++) {
            rows.order("S%02d".formatted(order), "2026-02-01T10:00", order % 2 == 0 ? "Coast" : "Upland", "2.00");
            rows.line("S%02d".formatted(order), "Hives", order + ".00").line("S%02d".formatted(order), "Jars", "1.00");
        }
        return rows;
    }

    private static Pages pages(String page) {
        return Pages.of(
                Bands.of(ROWS.grouped(
                        Definitions.readReport(Samples.REPORT.replace("\"page\": {", "\"page\": {" + page)),
                        Answers.NONE)),
                () -> false);
    }

    private static int sizeOfRows(Pages pages) {
        Page page = pages.page(1);
        return page.fonts().styles().stream().mapToInt(Page.Style::size).min().orElseThrow();
    }

    @Test
    void whatFitsIsSetAsItIsDesigned() {
        Pages usual = pages("");
        Pages allowed = pages("\"pages\": " + usual.count() + ",");
        assertThat(allowed.count()).isEqualTo(usual.count());
        assertThat(allowed.page(1)).isEqualTo(usual.page(1));
    }

    @ParameterizedTest
    @ValueSource(ints = {4, 5, 6})
    void itIsTheLargestTypeThatFits(int most) {
        Pages usual = pages("");
        Pages fitted = pages("\"pages\": " + most + ",");
        assertThat(usual.count()).isGreaterThan(most);
        assertThat(fitted.count()).isLessThanOrEqualTo(most);
        assertThat(sizeOfRows(fitted)).isLessThan(sizeOfRows(usual));
        if (most > 4) {
            assertThat(sizeOfRows(fitted)).isGreaterThan(sizeOfRows(pages("\"pages\": 4,")));
        }
    }

    @Test
    void belowHalfNothingIsSetSoThatMorePagesAreTaken() {
        Pages half = pages("\"pages\": 1,");
        assertThat(half.count()).isGreaterThan(1);
        assertThat(sizeOfRows(half)).isEqualTo(sizeOfRows(pages("")) / 2);
    }

    @Test
    void everyRowIsThereInOrderWhateverTheSize() {
        List<String> usual = texts(pages(""));
        assertThat(texts(pages("\"pages\": 4,"))).isEqualTo(usual);
    }

    private static List<String> texts(Pages pages) {
        return IntStream.rangeClosed(1, pages.count())
                .mapToObj(pages::page)
                .flatMap(page -> page.cells().stream()
                        .map(cell -> page.texts().get(cell.text()))
                        .filter(text -> text.matches("\\d+\\.00")))
                .toList();
    }
}
