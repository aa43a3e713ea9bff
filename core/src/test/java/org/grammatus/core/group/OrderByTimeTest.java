package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Orders by a span of a date: what lies in the same span stands by the next key. */
@Meaning(8)
class OrderByTimeTest {

    private static Samples sales() {
        return new Samples()
                .order("C", "2026-03-02T09:00", "Upland", "0.00")
                .order("B", "2026-03-02T17:00", "Upland", "0.00")
                .order("A", "2026-11-02T08:00", "Upland", "0.00")
                .order("D", "2025-11-30T23:30", "Upland", "0.00")
                .order("E", null, "Upland", "0.00")
                .line("C", "Hives", "1.00")
                .line("B", "Hives", "2.00")
                .line("A", "Hives", "3.00")
                .line("D", "Hives", "4.00")
                .line("E", "Hives", "5.00");
    }

    private static String report(String levels, String order) {
        return Samples.REPORT
                .replaceAll("(?s)\"levels\": \\[.*?\"columns\"", "\"levels\": [" + levels + "], \"columns\"")
                .replaceAll("(?s)\"totals\": \\[.*\"counts\"", "\"totals\": [], \"counts\"")
                .replace(
                        "{\"id\": \"c-net\",",
                        "{\"id\": \"c-day\", \"value\": \"ordered_at\", \"format\": \"d MMM\"}, {\"id\": \"c-net\",")
                .replaceAll("\"order\": \\[\\{\"id\": \"o-rows\".*?\\]", "\"order\": [" + order + "]");
    }

    private static String by(String bucket, String direction) {
        return "{\"id\": \"o-1\", \"by\": \"ordered_at\", \"bucket\": \"" + bucket + "\", \"direction\": \"" + direction
                + "\"}, {\"id\": \"o-2\", \"by\": \"order_number\", \"direction\": \"ascending\"}";
    }

    private static TablePlan plan(String report, ReaderView view) {
        return view.applied(
                        Planner.plan(Definitions.readReport(report), Samples.dataset(), Answers.NONE, Samples.CONTEXT))
                .blocks()
                .getFirst()
                .facts();
    }

    private static String rows(String report, ReaderView view) {
        String[] orders = {"C", "B", "A", "D", "E"};
        return Arrays.stream(sales().grouped(plan(report, view)).rows().order())
                .mapToObj(row -> orders[row])
                .collect(Collectors.joining());
    }

    @Test
    void rowsStandByTheDayAndThenByTheNextKey() {
        assertThat(rows(report("", by("day", "ascending")), ReaderView.PLAIN)).isEqualTo("DBCAE");
        assertThat(rows(report("", by("day", "descending")), ReaderView.PLAIN)).isEqualTo("ABCDE");
        assertThat(rows(report("", by("fiscal-year", "ascending")), ReaderView.PLAIN))
                .isEqualTo("BCDAE");
        assertThat(rows(report("", by("month-of-year", "ascending")), ReaderView.PLAIN))
                .isEqualTo("BCADE");
    }

    @Test
    void aReaderOrdersByTheDayWhereTheColumnPrintsNoTime() {
        ReaderView byDay = new ReaderView(
                List.of(
                        new ReaderView.Sort("c-day", Direction.ASCENDING),
                        new ReaderView.Sort("c-net", Direction.DESCENDING)),
                List.of(),
                List.of());
        assertThat(rows(report("", ""), byDay)).isEqualTo("DBCAE");
        assertThat(rows(report("", "").replace("\"d MMM\"", "\"d MMM HH:mm\""), byDay))
                .isEqualTo("DCBAE");
        assertThat(rows(report("", "").replace("\"d MMM\"", "\"d 'h' MMM\""), byDay))
                .isEqualTo("DBCAE");
    }

    @Test
    void groupsStandBySpansToo() {
        String orders = "{\"id\": \"order\", \"name\": \"Order\", \"key\": \"order_number\", \"order\": [%s],"
                + " \"header\": \"heading\", \"footer\": \"none\"}";
        assertThat(rows(report(orders.formatted(by("day", "descending")), ""), ReaderView.PLAIN))
                .isEqualTo("ABCDE");
        String latest = by("quarter", "ascending").replace("\"by\": \"ordered_at\"", "\"by\": \"MAX(ordered_at)\"");
        assertThat(rows(report(orders.formatted(latest), ""), ReaderView.PLAIN)).isEqualTo("DBCAE");
    }

    @Test
    void onlyDatesHaveSpans() {
        assertThatThrownBy(() ->
                        plan(report("", by("day", "ascending").replace("ordered_at", "region")), ReaderView.PLAIN))
                .hasMessageContaining("/rows/order/0/bucket")
                .hasMessageContaining("only a date or timestamp has a bucket");
    }
}
