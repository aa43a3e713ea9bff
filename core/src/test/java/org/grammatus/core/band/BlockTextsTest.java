package org.grammatus.core.band;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 12: what stands below a block's title and before its grand total may say something of all its rows. */
class BlockTextsTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .line("S1", "Hives", "1200.00")
            .line("S1", "Jars", "40.50")
            .order("S2", "2026-02-05T10:00", "Coast", "0.00")
            .line("S2", "Feed", "9.50");

    private static Report report(String properties) {
        return Definitions.readReport(Samples.REPORT.replace("\"counts\":", properties + ", \"counts\":"));
    }

    private static List<String> words(Report report, BandKind kind, Samples rows) {
        Bands bands = Bands.of(rows.grouped(report, Answers.NONE));
        BandContents contents = new BandContents(bands);
        return IntStream.range(0, bands.size())
                .filter(band -> bands.kind(band) == kind)
                .mapToObj(band -> contents.words(bands, band))
                .flatMap(List::stream)
                .map(BandCell.Words::text)
                .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{COUNT(DISTINCT order_number)} orders, {SUM(net)} in all | 2 orders, 1,250.00 in all",
                "Since {MIN(ordered_at)} | Since 5 Jan 2026 10:00",
                "In {{braces}} | In {braces}",
                "Plain | Plain"
            })
    void aNoteSaysWhatHoldsForAllRows(String note, String said) {
        assertThat(words(report("\"note\": \"" + note + "\""), BandKind.BLOCK_HEADER, ROWS))
                .contains(said);
    }

    @Test
    void theGrandTotalIsCalledAsTheReportSays() {
        Report named = report("\"totalText\": \"All {COUNT(DISTINCT region)} regions\"");
        assertThat(words(named, BandKind.REPORT_FOOTER, ROWS).getFirst()).isEqualTo("All 2 regions");
        assertThat(words(report("\"note\": \"\""), BandKind.REPORT_FOOTER, ROWS).getFirst())
                .isEqualTo("Grand total");
    }

    @Test
    void withoutRowsBothAreThereAllTheSame() {
        Report named = report("\"note\": \"{COUNT(*)} lines\", \"totalText\": \"Of {COUNT(*)}\"");
        assertThat(words(named, BandKind.BLOCK_HEADER, new Samples())).contains("0 lines");
        assertThat(words(named, BandKind.REPORT_FOOTER, new Samples()).getFirst())
                .isEqualTo("Of 0");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "note | {group} | /blocks/0/note",
                "note | {net} | /blocks/0/note",
                "totalText | All {SUM(nett)} | /blocks/0/totalText: 1:10",
                "totalText | {SUM(net) OF GROUP region} | /blocks/0/totalText",
                "note | {SUM(net | /blocks/0/note"
            })
    void whatDoesNotHoldForAllRowsIsToldWithItsPlace(String property, String text, String place) {
        Report wrong = report("\"" + property + "\": \"" + text + "\"");
        assertThatThrownBy(() -> ROWS.grouped(wrong, Answers.NONE)).hasMessageContaining(place);
    }
}
