package org.grammatus.core.band;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.Marks;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Meaning 45: what is not marked is hidden as folding hides it. */
@Meaning(45)
class MarkedOnlyTest {

    private static final ReaderView MARKED =
            new ReaderView(List.of(), List.of(), List.of(), List.of(), List.of(), Optional.empty(), true);

    private static Report marking(String when) {
        return Definitions.readReport(Samples.REPORT.replace(
                "\"highlights\": []",
                "\"highlights\": [{\"id\": \"h\", \"label\": \"L\", \"when\": \"" + when
                        + "\", \"look\": \"watch\"}]"));
    }

    private static Bands bands(Samples rows, Report report, ReaderView view) {
        var plan = view.applied(Planner.plan(report, Samples.dataset(), Answers.NONE, Samples.CONTEXT));
        return Bands.of(rows.grouped(plan.table()));
    }

    private static List<String> printed(Bands bands) {
        BandContents contents = new BandContents(bands);
        return IntStream.range(0, bands.size())
                .mapToObj(band -> bands.kind(band) + " "
                        + contents.of(bands, band).stream()
                                .map(BandCell::text)
                                .filter(text -> !text.isBlank())
                                .findFirst()
                                .orElse(""))
                .map(String::strip)
                .toList();
    }

    private static Samples sales() {
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "1.00")
                .order("S2", "2026-01-06T10:00", "Lakeside", "1.00")
                .order("S3", "2026-01-07T10:00", "Upland", "1.00")
                .line("S1", "Hives", "30.00")
                .line("S1", "Jars", "10.00")
                .line("S2", "Jars", "20.00")
                .line("S3", "Hives", "5.00");
    }

    @Test
    void groupsInWhichNothingIsMarkedAreNotPrintedAndTotalsAreOfAll() {
        Bands bands = bands(sales(), marking("net > 25"), MARKED);
        assertThat(printed(bands))
                .containsExactly(
                        "REPORT_HEADER Orders",
                        "BLOCK_HEADER Only what is marked is printed; totals are of everything",
                        "GROUP_HEADING Lakeside",
                        "GROUP_HEADING S1",
                        "DETAIL 30.00",
                        "GROUP_FOOTER S1 total",
                        "GROUP_FOOTER Lakeside total",
                        "REPORT_FOOTER Grand total");
        TableResult all = bands(sales(), marking("net > 25"), ReaderView.PLAIN).grouped();
        assertThat(new BandTexts(bands.grouped()).total(0, 0)).isEqualTo(new BandTexts(all).total(0, 0));
    }

    @Test
    void aReportThatMarksNothingStaysWhole() {
        assertThat(printed(bands(sales(), Samples.report(), MARKED)))
                .isEqualTo(printed(bands(sales(), Samples.report(), ReaderView.PLAIN)));
        assertThat(printed(bands(sales(), marking("net > 99"), MARKED)))
                .containsExactly(
                        "REPORT_HEADER Orders",
                        "BLOCK_HEADER Only what is marked is printed; totals are of everything",
                        "REPORT_FOOTER Grand total");
    }

    @Test
    void everyMarkedRowIsPrintedOnceInItsOrderAndNoOther() {
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(seed);
            Samples rows = new Samples();
            for (int order = 0; order < 8; order++) {
                rows.order(
                        "S" + order, "2026-01-05T10:00", List.of("A", "B", "C").get(random.nextInt(3)), "1.00");
                for (int line = random.nextInt(4); line > 0; line--) {
                    rows.line("S" + order, "Hives", random.nextInt(100) + ".00");
                }
            }
            Report report = marking("net > " + random.nextInt(100));
            Bands all = bands(rows, report, ReaderView.PLAIN);
            List<Integer> marked = new ArrayList<>(details(all));
            marked.removeIf(row -> all.grouped().marks().ofRow(row) == Marks.NONE);
            assertThat(details(bands(rows, report, MARKED))).as("seed " + seed).isEqualTo(marked);
        }
    }

    private static List<Integer> details(Bands bands) {
        return IntStream.range(0, bands.size())
                .filter(band -> bands.kind(band) == BandKind.DETAIL)
                .mapToObj(bands::row)
                .toList();
    }
}
