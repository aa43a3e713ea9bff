package org.grammatus.core.page;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.choice.layout.PageLine;
import org.grammatus.core.choice.layout.PageWord;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.PagePlan;
import org.grammatus.core.plan.PageText;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.typography.Face;
import org.grammatus.core.typography.Weight;
import org.grammatus.core.words.Words;

/** What stands at the top and the bottom of every page. */
final class PageFurniture {

    private static final TextStyle STYLE = TextStyle.PAGE_MARGIN;
    private static final int BELOW_HEADER = 600;
    private static final int ABOVE_FOOTER = 500;
    private static final int BETWEEN = 2000;
    private static final int LARGEST_WATERMARK = 16_000;

    private final BandTexts printed;
    private final TablePlan plan;
    private final Paper paper;
    private final PagePlan page;
    private final Words words;
    private final TypeSetting type;
    /** What the datasets of the blocks are called. */
    private final String datasets;

    /**
     * What is told of a page besides its number.
     *
     * @param place where it stands in its group
     * @param figures by their expressions
     */
    record OfPage(GroupPages.Place place, Map<String, String> figures) {}

    /** @param blocks of the report; the first says how type is set */
    PageFurniture(List<BlockPlace> blocks, Paper paper) {
        BlockLayout layout = blocks.getFirst().layout();
        this.datasets = blocks.stream()
                .map(block -> block.layout().plan().dataset().label())
                .distinct()
                .collect(Collectors.joining(", "));
        this.printed = layout.contents().printed();
        this.plan = layout.plan();
        this.words = Words.of(plan.locale());
        this.page = plan.inputs().page();
        this.paper = paper;
        this.type = layout.type();
    }

    int headerHeight() {
        return type.lineHeight(STYLE) + BELOW_HEADER;
    }

    int footerHeight() {
        return type.lineHeight(STYLE) + ABOVE_FOOTER;
    }

    /** Whether something stands above the first page, too. */
    boolean hasFirstHeader() {
        return page.header().isPresent()
                || page.lines().header().isPresent()
                || page.lines().firstHeader().isPresent();
    }

    /** What stands above a page; the usual line repeats the title, which the first page has. */
    void header(PageAssembler sheet, OfPage says) {
        boolean first = sheet.number() == 1;
        if (first && !hasFirstHeader()) {
            return;
        }
        int firstCell = sheet.size();
        int top = paper.top();
        Optional<PageLine<PageText>> asked = (first ? page.lines().firstHeader() : Optional.<PageLine<PageText>>empty())
                .or(() -> page.lines().header());
        String[] usual = {text(page.header(), plan.inputs().report().title(), sheet, says), "", printed.answersInWords()
        };
        line(sheet, top + type.ascent(STYLE), texts(asked, usual, sheet, says));
        sheet.box(BandRole.PAGE_HEADER, top, top + headerHeight(), GroupTree.ROOT, firstCell);
    }

    /**
     * What stands below a page.
     *
     * @param paper as long as the page is
     */
    void footer(PageAssembler sheet, Paper paper, OfPage says) {
        int firstCell = sheet.size();
        int top = paper.bottom() - footerHeight() + ABOVE_FOOTER;
        String source = words.source(datasets, businessDate());
        Optional<PageLine<PageText>> asked = (sheet.number() == 1
                        ? page.lines().firstFooter()
                        : Optional.<PageLine<PageText>>empty())
                .or(() -> page.lines().footer());
        String[] usual = {text(page.footer(), source, sheet, says), "", words.page(sheet.number(), sheet.of())};
        line(sheet, top + type.ascent(STYLE), texts(asked, usual, sheet, says));
        sheet.box(BandRole.PAGE_FOOTER, top, top + type.lineHeight(STYLE), GroupTree.ROOT, firstCell);
    }

    /** A word across the page, behind everything else. */
    void watermark(PageAssembler sheet) {
        Optional<String> asked = page.watermark();
        asked.or(() -> page.draft() ? Optional.of(words.draft()) : asked).ifPresent(word -> {
            int firstCell = sheet.size();
            Face face = type.family().face(Weight.SEMIBOLD);
            int size = Math.min(
                    LARGEST_WATERMARK,
                    paper.printableWidth() * 9 / 10 * 100 / Math.max(1, face.width(face.printable(word), 100)));
            int width = face.width(face.printable(word), size);
            // A roll is longer than anybody sees at once.
            int across = page.sheet().roll() ? paper.top() + paper.printableWidth() : paper.bottom();
            int baseline = (paper.top() + across + size * 7 / 10) / 2;
            sheet.watermark(word, size, (paper.printableWidth() - width) / 2, baseline);
            sheet.box(BandRole.WATERMARK, baseline - size, baseline + size / 4, GroupTree.ROOT, firstCell);
        });
    }

    private String businessDate() {
        return printed.day(plan.context().businessDate().toEpochDay());
    }

    /** The texts of a line: a report that says what stands there says all of it. */
    private String[] texts(Optional<PageLine<PageText>> asked, String[] usual, PageAssembler sheet, OfPage says) {
        return asked.map(line -> new String[] {
                    text(line.start(), "", sheet, says),
                    text(line.centre(), "", sheet, says),
                    text(line.end(), "", sheet, says)
                })
                .orElse(usual);
    }

    private String text(Optional<PageText> own, String otherwise, PageAssembler sheet, OfPage says) {
        return own.map(text -> text.filled(
                        words(sheet, says.place()), expression -> says.figures().getOrDefault(expression, "")))
                .orElse(otherwise);
    }

    private Map<PageWord, String> words(PageAssembler sheet, GroupPages.Place place) {
        return Map.of(
                PageWord.TITLE, plan.inputs().report().title(),
                PageWord.ANSWERS, printed.answersInWords(),
                PageWord.DATASET, datasets,
                PageWord.BUSINESS_DATE, businessDate(),
                PageWord.PAGE, Integer.toString(sheet.number()),
                PageWord.PAGES, Integer.toString(sheet.of()),
                PageWord.GROUP, place.group(),
                PageWord.PAGE_OF_GROUP, Integer.toString(place.page()),
                PageWord.PAGES_OF_GROUP, Integer.toString(place.pages()));
    }

    /** Texts at the start, in the centre and at the end of a line, each cut where they would meet. */
    private void line(PageAssembler sheet, int baseline, String[] texts) {
        int all = paper.printableWidth();
        boolean threefold = !texts[1].isEmpty();
        String end = cut(texts[2], threefold ? (all - 2 * BETWEEN) / 3 : all * 6 / 10);
        int width = type.width(end, STYLE);
        String start = cut(texts[0], threefold ? (all - 2 * BETWEEN) / 3 : all - width - BETWEEN);
        put(sheet, start, 0, baseline);
        if (threefold) {
            String centre = cut(texts[1], (all - 2 * BETWEEN) / 3);
            put(sheet, centre, (all - type.width(centre, STYLE)) / 2, baseline);
        }
        put(sheet, end, all - width, baseline);
    }

    private String cut(String text, int room) {
        return type.lines(text, STYLE, room).getFirst();
    }

    private static void put(PageAssembler sheet, String text, int x, int baseline) {
        if (!text.isEmpty()) {
            sheet.text(text, STYLE, x, baseline, GroupTree.ROOT, "");
        }
    }
}
