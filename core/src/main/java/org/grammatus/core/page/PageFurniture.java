package org.grammatus.core.page;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.band.Printed;
import org.grammatus.core.band.Words;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.plan.PageText;
import org.grammatus.core.plan.TablePlan;

/** What stands at the top and the bottom of every page. */
final class PageFurniture {

    private static final TextStyle STYLE = TextStyle.PAGE_MARGIN;
    private static final int BELOW_HEADER = 600;
    private static final int ABOVE_FOOTER = 500;
    private static final int BETWEEN = 2000;

    private final Printed printed;
    private final TablePlan plan;
    private final Paper paper;
    private final TypeSetting type;
    /** What the datasets of the blocks are called. */
    private final String datasets;

    /** @param blocks of the report; the first says how type is set */
    PageFurniture(List<BlockPlace> blocks, Paper paper) {
        BlockLayout layout = blocks.getFirst().layout();
        this.datasets = blocks.stream()
                .map(block -> block.layout().plan().dataset().label())
                .distinct()
                .collect(Collectors.joining(", "));
        this.printed = layout.contents().printed();
        this.plan = layout.plan();
        this.paper = paper;
        this.type = layout.type();
    }

    int headerHeight() {
        return type.lineHeight(STYLE) + BELOW_HEADER;
    }

    int footerHeight() {
        return type.lineHeight(STYLE) + ABOVE_FOOTER;
    }

    void header(Sheet sheet) {
        int first = sheet.size();
        int top = paper.top();
        texts(
                sheet,
                top + type.ascent(STYLE),
                text(plan.inputs().page().header(), plan.inputs().title(), sheet),
                printed.answersInWords());
        sheet.box(BandRole.PAGE_HEADER, top, top + headerHeight(), GroupTree.ROOT, first);
    }

    void footer(Sheet sheet) {
        int first = sheet.size();
        int top = paper.bottom() - footerHeight() + ABOVE_FOOTER;
        String source = datasets + " · business date " + businessDate();
        texts(
                sheet,
                top + type.ascent(STYLE),
                text(plan.inputs().page().footer(), source, sheet),
                Words.page(sheet.number(), sheet.of()));
        sheet.box(BandRole.PAGE_FOOTER, top, top + type.lineHeight(STYLE), GroupTree.ROOT, first);
    }

    private String businessDate() {
        return printed.day(plan.context().businessDate().toEpochDay());
    }

    private String text(Optional<PageText> own, String otherwise, Sheet sheet) {
        return own.map(text -> text.filled(Map.of(
                        PageText.Name.TITLE, plan.inputs().title(),
                        PageText.Name.ANSWERS, printed.answersInWords(),
                        PageText.Name.DATASET, datasets,
                        PageText.Name.BUSINESS_DATE, businessDate(),
                        PageText.Name.PAGE, Integer.toString(sheet.number()),
                        PageText.Name.PAGES, Integer.toString(sheet.of()))))
                .orElse(otherwise);
    }

    /** One text at the left and one at the right of a line, the left one cut where they would meet. */
    private void texts(Sheet sheet, int baseline, String left, String right) {
        int most = paper.printableWidth() * 6 / 10;
        String end = type.lines(right, STYLE, most).getFirst();
        int width = type.width(end, STYLE);
        String start = type.lines(left, STYLE, paper.printableWidth() - width - BETWEEN)
                .getFirst();
        sheet.text(start, STYLE, 0, baseline, GroupTree.ROOT, "");
        if (!end.isEmpty()) {
            sheet.text(end, STYLE, paper.printableWidth() - width, baseline, GroupTree.ROOT, "");
        }
    }
}
