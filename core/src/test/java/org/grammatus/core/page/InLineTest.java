package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Meaning 9 and 15: groups that are lines in the columns above what stands inside them are named, set off and repeated. */
@Meaning({9, 15})
class InLineTest {

    /** Regions in line, their totals beside their names; the rows of each below. */
    private static final String REPORT = """
            {"format": "grammatus-report", "version": 1, "id": "r", "title": "Orders", "dataset": "lines", "locale": "en",
             "prompts": [], "filters": [], "page": {"paper": "A5", "orientation": "portrait",
              "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}},
             "blocks": [{"kind": "banded", "id": "t",
               "levels": [{"id": "region", "name": "Region", "key": "region", "order": [], "header": "line", "footer": "none"}],
               "columns": [%s{"id": "c-category", "label": "Category", "value": "category"},
                           {"id": "c-net", "label": "Net", "value": "net"}],
               "totals": [{"id": "t-net", "column": "c-net", "value": "SUM(net)",
                           "cells": [{"at": "region", "in": "header"}, {"at": "report", "in": "footer"}]}],
               "counts": [], "highlights": [], "rows": {"shown": true, "order": []}}]}
            """;

    private static Samples rows(int ofEach) {
        Samples samples = new Samples();
        for (String region : List.of("Coast", "Lakeside and the islands")) {
            String order = "S-" + region.charAt(0);
            samples.order(order, "2026-01-05T10:00", region, "5.00");
            for (int i = 0; i < ofEach; i++) {
                samples.line(order, "Hives", "10.00");
            }
        }
        return samples;
    }

    private static Pages pages(String columns, int ofEach) {
        return Pages.of(
                Bands.of(rows(ofEach).grouped(Definitions.readReport(REPORT.formatted(columns)), Answers.NONE)),
                () -> false);
    }

    private static Page.Cell cell(Page page, String text) {
        return page.cells().stream()
                .filter(each -> page.texts().get(each.text()).equals(text))
                .findFirst()
                .orElseThrow(() -> new AssertionError(text + " is not among " + page.texts()));
    }

    @Test
    void aGroupIsNamedInTheFirstColumnWithoutATotalBesideItsFigures() {
        Page page = pages("", 3).page(1);
        Page.Cell name = cell(page, "Lakeside and the islands");
        Page.Cell total = cell(page, "30.00");
        assertThat(name.x()).isEqualTo(cell(page, "Hives").x());
        assertThat(cell(page, "Coast").y()).isEqualTo(total.y());
        assertThat(page.fonts().styles().get(name.style()).face()).isEqualTo("semibold");
        assertThat(page.fonts().styles().get(total.style()).face()).isEqualTo("semibold");
        assertThat(page.fonts().styles().get(cell(page, "Hives").style()).face())
                .isEqualTo("regular");
        // The column is as wide as its names, so that none runs into the figures.
        assertThat(name.x() + name.width()).isLessThan(total.x());
    }

    @Test
    void whereAColumnSaysTheNameItStandsThereAlone() {
        Page page = pages("{\"id\": \"c-region\", \"label\": \"Region\", \"value\": \"region\"}, ", 3)
                .page(1);
        assertThat(page.cells().stream()
                        .filter(each -> page.texts().get(each.text()).equals("Coast"))
                        .map(Page.Cell::x)
                        .distinct())
                .hasSize(1);
    }

    @Test
    void aLineIsNeverLastOnAPageAndIsRepeatedWhereItsRowsGoOn() {
        Set<String> repeated = new HashSet<>();
        for (int ofEach = 20; ofEach < 60; ofEach++) {
            Pages pages = pages("", ofEach);
            for (int number = 1; number <= pages.count(); number++) {
                Page page = pages.page(number);
                List<Page.BandBox> bands = page.bands().stream()
                        .filter(band -> band.role() == BandRole.ROW || band.role() == BandRole.HEADING)
                        .toList();
                assertThat(bands.getLast().row())
                        .as(ofEach + " rows, page " + number)
                        .isNotEqualTo(Page.NONE);
                if (number > 1
                        && bands.getFirst().row() == Page.NONE
                        && bands.getFirst().role() == BandRole.HEADING) {
                    repeated.add(page.texts()
                            .get(page.cells().get(bands.getFirst().firstCell()).text()));
                }
            }
        }
        assertThat(repeated).containsExactlyInAnyOrder("Coast (continued)", "Lakeside and the islands (continued)");
    }
}
