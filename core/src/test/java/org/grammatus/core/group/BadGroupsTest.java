package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.Bands;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.page.Pages;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Rows and definitions that are at the edge of what groups and totals can be made of. */
class BadGroupsTest {

    private static final String BY_REGION =
            "{\"id\": \"region\", \"name\": \"Region\", \"key\": \"region\", \"order\": []}";

    private static String shown(String value, String shown) {
        return "{\"value\": \"" + value + "\", \"shown\": \"" + shown + "\"}";
    }

    @Test
    void sumsBeyondSixtyFourBitsAreExactWhateverIsMadeOfThem() {
        TableResult grouped = new Samples()
                .order("S1", null, "A", null)
                .order("S2", null, "B", null)
                .line("S1", "K", "90000000000000000.01")
                .line("S1", "K", "90000000000000000.01")
                .line("S2", "K", "90000000000000000.01")
                .line("S2", "K", "0.01")
                .grouped(
                        Samples.report(
                                BY_REGION,
                                "",
                                shown("SUM(net)", "value"),
                                shown("SUM(net)", "running-in-parent"),
                                shown("SUM(net)", "rank"),
                                shown("SUM(net)", "share-of-report"),
                                shown("SUM(net)", "change")),
                        Answers.NONE);
        assertThat(TreeText.of(grouped))
                .containsExactly(
                        "all | 270,000,000,000,000,000.04 | 270,000,000,000,000,000.04 |  | 100.0% | ",
                        "  A | 180,000,000,000,000,000.02 | 180,000,000,000,000,000.02 | 1 | 66.7% | ",
                        "  B | 90,000,000,000,000,000.02 | 270,000,000,000,000,000.04 | 2 | 33.3% | -90,000,000,000,000,000.00");
    }

    @Test
    void aMeasureWithoutAnyValueIsBlankInEveryForm() {
        TableResult grouped = new Samples()
                .order("S1", null, "A", null)
                .line("S1", "K", null)
                .grouped(
                        Samples.report(
                                BY_REGION,
                                "",
                                shown("SUM(net)", "value"),
                                shown("SUM(net)", "share-of-parent"),
                                shown("SUM(net)", "running-in-report"),
                                shown("SUM(net)", "rank"),
                                shown("SUM(net)", "change-percent")),
                        Answers.NONE);
        assertThat(TreeText.of(grouped)).containsExactly("all |  |  |  |  | ", "  A |  |  |  |  | ");
        assertThat(grouped.notices()).extracting(Problem::message).noneMatch(message -> message.contains("zero"));
    }

    @Test
    void namesThatDifferByCaseOrAccentAreGroupsOfTheirOwn() {
        TableResult grouped = new Samples()
                .order("S1", null, "Lakeside", null)
                .order("S2", null, "lakeside", null)
                .order("S3", null, "Lakesidé", null)
                .order("S4", null, "Lakeside ", null)
                .line("S1", "K", "1.00")
                .line("S2", "K", "2.00")
                .line("S3", "K", "3.00")
                .line("S4", "K", "4.00")
                .grouped(Samples.report(BY_REGION, "", shown("SUM(net)", "value")), Answers.NONE);
        assertThat(TreeText.of(grouped))
                .hasSize(5)
                .contains("  Lakeside | 1.00", "  lakeside | 2.00", "  Lakesidé | 3.00", "  Lakeside  | 4.00");
    }

    @Test
    void anOrderOfItsOwnMayNameWhatIsNotThereButNothingTwice() {
        String listed = BY_REGION.replace("\"order\"", "\"listed\": [%s], \"order\"");
        Samples rows = new Samples()
                .order("S1", null, "A", null)
                .order("S2", null, "B", null)
                .line("S1", "K", "1.00")
                .line("S2", "K", "2.00");
        assertThat(TreeText.of(rows.grouped(
                        Samples.report(listed.formatted("\"Z\", \"B\""), "", shown("COUNT(*)", "value")),
                        Answers.NONE)))
                .containsExactly("all | 2", "  B | 1", "  A | 1");
        assertThatThrownBy(() -> rows.grouped(
                        Samples.report(listed.formatted("\"B\", \"B\""), "", shown("COUNT(*)", "value")), Answers.NONE))
                .hasMessageContaining("/levels/0/listed/1")
                .hasMessageContaining("listed twice");
    }

    @Test
    void textsHaveNoShares() {
        assertThatThrownBy(() -> new Samples()
                        .grouped(
                                Samples.report(BY_REGION, "", shown("MAX(category)", "share-of-report")), Answers.NONE))
                .hasMessageContaining("a share, a rank, a running total or a comparison needs a number");
    }

    @Test
    void aMillionGroupsAreMadeOrderedAndBrokenIntoPages() {
        Samples rows = new Samples().order("S1", null, "A", null);
        int count = 1_000_000;
        for (int i = 0; i < count; i++) {
            rows.line("S1", "K", BigDecimal.valueOf((i * 7919L) % count, 2).toPlainString());
        }
        String byNet = """
                {"id": "net", "name": "Net", "key": "net",
                 "order": [{"id": "o", "by": "SUM(net)", "direction": "descending"}]}""";
        TableResult grouped = rows.grouped(Samples.report(byNet, "", shown("COUNT(*)", "value")), Answers.NONE);
        assertThat(grouped.tree().nodeCount()).isEqualTo(count + 1);
        BandTexts printed = new BandTexts(grouped);
        assertThat(printed.label(grouped.tree().nodeAt(1))).isEqualTo("9999.99");
        assertThat(printed.label(grouped.tree().nodeAt(count))).isEqualTo("0");
        assertThat(printed.total(0, GroupTree.ROOT)).isEqualTo("1,000,000");
        Pages pages = Pages.of(Bands.of(grouped), () -> false);
        assertThat(pages.count()).isGreaterThan(10_000);
        assertThat(pages.page(pages.count()).texts()).contains("Grand total");
    }
}
