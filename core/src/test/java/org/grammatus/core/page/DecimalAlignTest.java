package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.util.ULocale;
import java.util.List;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.column.DecimalTail;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers of mixed scales stand with their decimal signs below each other. */
class DecimalAlignTest {

    private static Page page(String align) {
        Samples samples = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "1230.00")
                .line("S1", "Jars", "9.50")
                .line("S1", "Jars", "-1.25")
                .line("S1", "Jars", "7.00");
        String report = Samples.REPORT.replace(
                "\"label\": \"Net\", \"value\": \"net\"",
                "\"label\": \"Net\", \"value\": \"net\", \"format\": \"#,##0.##\", \"align\": \"" + align + "\"");
        return Pages.of(Bands.of(samples.grouped(Definitions.readReport(report), Answers.NONE)), () -> false)
                .page(1);
    }

    private static List<Page.Cell> figures(Page page) {
        int column = page.ids().indexOf("c-net");
        return page.cells().stream()
                .filter(cell -> cell.id() == column && cell.figure())
                .filter(cell -> !page.texts().get(cell.text()).equals("Net"))
                .toList();
    }

    /** Where the whole part of a figure ends. */
    private static int sign(Page page, Page.Cell cell) {
        String text = page.texts().get(cell.text());
        Page.Style style = page.fonts().styles().get(cell.style());
        String whole = text.substring(0, DecimalTail.start(text, ULocale.UK));
        return cell.x()
                + Family.BASE.face(Weight.valueOf(style.face().toUpperCase())).width(whole, style.size());
    }

    @Test
    void signsStandBelowEachOtherAndNothingLeavesItsColumn() {
        Page page = page("decimal");
        List<Page.Cell> figures = figures(page);
        assertThat(figures).hasSize(4);
        assertThat(figures.stream().map(cell -> sign(page, cell)).distinct()).hasSize(1);
        Page.ColumnBox box = page.parts().columns().getFirst();
        assertThat(figures).allSatisfy(cell -> {
            assertThat(cell.x()).isGreaterThanOrEqualTo(box.x());
            assertThat(cell.x() + cell.width()).isLessThanOrEqualTo(box.x() + box.width());
        });
        // Room for the longest tail is kept once, in the larger type of totals, not beside every figure.
        assertThat(figures.stream()
                        .mapToInt(cell -> cell.x() + cell.width())
                        .max()
                        .orElseThrow())
                .isBetween(box.x() + box.width() - 300, box.x() + box.width());
    }

    @Test
    void otherwiseTheirEndsDo() {
        Page page = page("end");
        assertThat(figures(page).stream().map(cell -> sign(page, cell)).distinct())
                .hasSizeGreaterThan(1);
    }

    @ParameterizedTest
    @CsvSource({"'1,234.5', 5", "1234, 4", "12 %, 2", "'12.5 %', 2", "(7), 2", "–, 1"})
    void aTailBeginsAtTheSignOrBehindTheLastDigit(String number, int start) {
        assertThat(DecimalTail.start(number, ULocale.UK)).isEqualTo(start);
    }
}
