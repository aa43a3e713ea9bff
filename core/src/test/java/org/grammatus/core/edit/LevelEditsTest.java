package org.grammatus.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.grammatus.core.edit.Edited.table;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.Samples;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Place;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.edit.LevelEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.LevelChoices;
import org.grammatus.core.problem.ProblemException;
import org.junit.jupiter.api.Test;

class LevelEditsTest {

    private static ReportLevel level(Report report, String id) {
        return EditScope.part(table(report).levels(), ReportLevel::id, id);
    }

    @Test
    void aFieldGroupsWithTheLargestFirstAndEveryTotalBelow() {
        Report report = Edited.sample("{'edit': 'add-level', 'field': 'category'}");
        ReportLevel level = level(report, "category");
        assertThat(level.name()).isEqualTo("Category");
        assertThat(level.order())
                .singleElement()
                .satisfies(term -> assertThat(term.by()).isEqualTo("SUM(net)"));
        assertThat(table(report).totals())
                .allSatisfy(total -> assertThat(total.cells()).contains(new ReportCell("category", Place.FOOTER)));
        assertThat(table(report).levels()).extracting(ReportLevel::id).endsWith("category");
    }

    @Test
    void aDateGroupsByMonthInItsOwnOrder() {
        ReportLevel level =
                level(Edited.sample("{'edit': 'add-level', 'field': 'ordered_at', 'before': 'region'}"), "ordered-at");
        assertThat(level.bucket()).contains(Bucket.MONTH);
        assertThat(level.order()).isEmpty();
    }

    @Test
    void aMeasureGroupsNothing() {
        assertThatThrownBy(() -> Edited.sample("{'edit': 'add-level', 'field': 'mean_price'}"))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("Mean price");
    }

    @Test
    void theFirstLevelUnderMeasuresAloneMakesASummary() {
        Report report = Edited.by(
                Edited.empty(), "{'edit': 'add-column', 'field': 'net'}", "{'edit': 'add-level', 'field': 'region'}");
        TableBlock table = table(report);
        assertThat(table.rows().shown()).isFalse();
        assertThat(level(report, "region").header()).isEqualTo(Header.LINE);
        assertThat(table.columns()).extracting(ReportColumn::id).containsExactly("c-of-region", "c-net");
        assertThat(table.totals().getFirst().cells()).contains(new ReportCell("region", Place.HEADER));
    }

    @Test
    void withoutRowsTheInnermostLevelIsPrintedAsLinesAndAgainAsHeadingsWithThem() {
        Report lines = Edited.sample("{'edit': 'show-rows', 'shown': false}");
        assertThat(level(lines, "order").header()).isEqualTo(Header.LINE);
        assertThat(level(lines, "order").footer()).isEqualTo(Footer.NONE);
        assertThat(level(lines, "region").header()).isEqualTo(Header.HEADING);
        Report off = Edited.by(lines, "{'edit': 'switch-level', 'level': 'order', 'on': false}");
        assertThat(level(off, "region").header()).isEqualTo(Header.LINE);
        assertThat(level(off, "order").header()).isEqualTo(Header.HEADING);
        Report rows = Edited.by(lines, "{'edit': 'show-rows', 'shown': true}");
        assertThat(rows).isEqualTo(Edited.sample());
    }

    @Test
    void whatGoesWithALevelGoesToo() {
        Report named = Edited.sample("{'edit': 'name-groups', 'level': 'region', 'heading': 'column'}");
        assertThat(table(named).columns().getFirst())
                .satisfies(column -> assertThat(column.once()).contains("region"));
        Report left = Edited.by(named, "{'edit': 'remove-level', 'level': 'region'}");
        assertThat(table(left).columns()).extracting(ReportColumn::id).containsExactly("c-net", "c-freight");
        assertThat(table(left).totals())
                .allSatisfy(total ->
                        assertThat(total.cells()).noneMatch(cell -> cell.at().equals("region")));
    }

    @Test
    void aKeyIsCoarsenedToSpansOrClassesAndBack() {
        String coarsen = "{'edit': 'coarsen-level', 'level': 'region'%s}";
        Report labelled = Edited.by(
                Definitions.readReport(Samples.REPORT.replace(
                        "\"key\": \"region\"", "\"key\": \"ordered_at\", \"label\": \"region\"")),
                coarsen.formatted(", 'bucket': 'month'"));
        assertThat(level(labelled, "region").bucket()).contains(Bucket.MONTH);
        assertThat(level(labelled, "region").label()).isEmpty();
        Report plain = Edited.by(labelled, coarsen.formatted(""));
        assertThat(level(plain, "region").bucket()).isEmpty();
        assertThatThrownBy(() -> Edited.by(plain, coarsen.formatted(", 'classes': true")))
                .hasMessageContaining("only a number has classes");
        Report number = Definitions.readReport(Samples.REPORT.replace("\"key\": \"region\"", "\"key\": \"freight\""));
        assertThatThrownBy(() -> Edited.by(number, coarsen.formatted(", 'bucket': 'day'")))
                .hasMessageContaining("only a date or timestamp has buckets");
        Report classes = Edited.by(number, coarsen.formatted(", 'classes': true"));
        assertThat(level(classes, "region").classes().orElseThrow()).hasSize(2);
        assertThat(Edited.by(classes, coarsen.formatted(", 'classes': true"))).isEqualTo(classes);
        assertThatThrownBy(() -> Edited.by(plain, coarsen.formatted(", 'classes': true, 'bucket': 'day'")))
                .hasMessageContaining("not to both");
    }

    @Test
    void aClassMoreIsAsWideAsTheOneBeforeIt() {
        Report number = Definitions.readReport(Samples.REPORT.replace("\"key\": \"region\"", "\"key\": \"freight\""));
        String more = "{'edit': 'add-class', 'level': 'region'}";
        assertThat(edges(Edited.by(number, more))).containsExactly("10", "rest");
        assertThat(edges(Edited.by(number, more, more, more))).containsExactly("10", "20", "30", "rest");
        assertThatThrownBy(() -> Edited.sample(more)).hasMessageContaining("only a number has classes");
    }

    private static List<String> edges(Report report) {
        return level(report, "region").classes().orElseThrow().stream()
                .map(entry -> entry.upTo().orElse("rest"))
                .toList();
    }

    @Test
    void whatALevelCanBeIsOffered() {
        LevelChoices choices =
                EditOffers.of(Edited.sample(), Edited.scope()).levels().getFirst();
        assertThat(choices.heading()).isEqualTo(LevelEdit.Heading.HEADING);
        assertThat(choices.headings()).contains(LevelEdit.Heading.COLUMN);
        assertThat(choices.buckets()).as("a region is a text").isEmpty();
        assertThat(choices.classes()).isFalse();
        Report named = Edited.sample("{'edit': 'name-groups', 'level': 'region', 'heading': 'column'}");
        assertThat(EditOffers.of(named, Edited.scope()).levels().getFirst().heading())
                .isEqualTo(LevelEdit.Heading.COLUMN);
        Report lines = Edited.sample("{'edit': 'show-rows', 'shown': false}");
        assertThat(EditOffers.of(lines, Edited.scope()).levels().getLast().headings())
                .as("without rows no name stands beside them")
                .doesNotContain(LevelEdit.Heading.COLUMN);
    }

    @Test
    void aLevelMovesAroundAnother() {
        Report moved = Edited.sample("{'edit': 'move-level', 'level': 'order', 'before': 'region'}");
        assertThat(table(moved).levels()).extracting(ReportLevel::id).containsExactly("order", "region");
        assertThat(Edited.by(moved, "{'edit': 'move-level', 'level': 'order'}")).isEqualTo(Edited.sample());
        assertThat(Edited.sample("{'edit': 'move-level', 'level': 'order', 'before': 'order'}"))
                .isEqualTo(Edited.sample());
    }

    @Test
    void aColumnBecomesALevelAndGoesUnlessItIsTotalled() {
        Report report = Edited.by(
                Edited.empty(),
                "{'edit': 'add-column', 'field': 'region'}",
                "{'edit': 'add-column', 'field': 'net'}",
                "{'edit': 'group-by-column', 'column': 'c-region'}");
        assertThat(table(report).levels()).extracting(ReportLevel::key).isEqualTo(List.of("region"));
        assertThat(table(report).columns()).extracting(ReportColumn::id).doesNotContain("c-region");
        Report totalled = Edited.by(report, "{'edit': 'group-by-column', 'column': 'c-net'}");
        assertThat(table(totalled).columns()).extracting(ReportColumn::id).contains("c-net");
        assertThat(table(totalled).levels().getLast().name()).isEqualTo("Net");
    }

    @Test
    void aLevelThatIsNotThereIsSaid() {
        assertThatThrownBy(() -> Edited.sample("{'edit': 'remove-level', 'level': 'depot'}"))
                .hasMessageContaining("there is no part \"depot\"");
    }

    @Test
    void aHighlightOfItsGroupsGoesWithALevel() {
        Report marked = Edited.sample(
                "{'edit': 'add-ready-highlight', 'about': 't-net', 'rule': 'first-three', 'label': 'Best'}");
        assertThat(table(marked).highlights())
                .singleElement()
                .satisfies(
                        rule -> assertThat(rule.reach().orElseThrow().level()).isEqualTo(Optional.of("order")));
        assertThat(table(Edited.by(marked, "{'edit': 'remove-level', 'level': 'order'}"))
                        .highlights())
                .isEmpty();
    }

    @Test
    void aDateIsGroupedByTheSpanThatIsChosen() {
        Report report = Edited.sample("{'edit': 'add-level', 'field': 'ordered_at', 'bucket': 'fiscal-quarter'}");
        TableBlock table = (TableBlock) report.blocks().getFirst();
        assertThat(table.levels().getLast().bucket()).contains(Bucket.FISCAL_QUARTER);
        assertThatThrownBy(() -> Edited.sample("{'edit': 'add-level', 'field': 'region', 'bucket': 'month'}"))
                .hasMessageContaining("only a date");
    }
}
