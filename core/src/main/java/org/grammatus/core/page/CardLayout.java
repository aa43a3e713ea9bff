package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/**
 * Where key figures stand: as many side by side as have room, in rows of about the same number. A figure is never clipped; where one is
 * too wide by itself, all type is set smaller, down to {@value #LEAST_PERCENT} percent. The last figure of a row has the row's height, the
 * others have none, so that a row stays together.
 */
final class CardLayout {

    private static final int LEAST_PERCENT = ColumnLayout.LEAST_PERCENT;
    private static final int LEAST_WIDTH = 10_500;
    private static final int GAP = 1_600;
    private static final int ABOVE = 350;
    private static final int BELOW = 1_000;
    /** How far the ground of a marked card reaches below what it says. */
    private static final int BELOW_MARKED = 300;

    private final List<Card> cards;
    private final int width;
    private final TypeSetting type;
    private final int perRow;
    private final int cardWidth;
    private final List<Measured> measured = new ArrayList<>();

    /** What a figure's card says: its label, the figure, and what it is compared with. */
    private record Card(BandCell.Words label, BandCell.Value value, List<BandCell.Words> notes) {}

    /**
     * Lays figures out.
     *
     * @param most size of the type at most, in percent
     * @throws ProblemException if one is too wide even in small type
     */
    CardLayout(Bands bands, BandContents contents, int width, int most) {
        this.cards = IntStream.range(0, bands.size())
                .filter(band -> bands.kind(band) == BandKind.FIGURE)
                .mapToObj(band -> card(contents, bands, band))
                .toList();
        this.width = width;
        this.type = fitting(bands, most);
        int side = Math.max(1, (width + GAP) / (natural(type) + GAP));
        int rows = Math.max(1, (cards.size() + side - 1) / side);
        this.perRow = Math.max(1, (cards.size() + rows - 1) / rows);
        this.cardWidth = (width - GAP * (perRow - 1)) / perRow;
        for (int from = 0; from < cards.size(); from += perRow) {
            row(from, Math.min(cards.size(), from + perRow));
        }
    }

    private static Card card(BandContents contents, Bands bands, int band) {
        List<BandCell.Words> words = contents.words(bands, band);
        return new Card(words.getFirst(), contents.values(bands, band).getFirst(), words.subList(1, words.size()));
    }

    /** How type is set so that every figure fits by itself. */
    private TypeSetting fitting(Bands bands, int most) {
        for (int percent = most; percent >= LEAST_PERCENT; percent -= 5) {
            TypeSetting setting = TypeSetting.of(percent, bands.grouped().plan().inputs());
            if (figures(setting) <= width) {
                return setting;
            }
        }
        throw new ProblemException(
                Problem.error(
                        bands.block().pointer(),
                        "its figures do not fit its width, even in small type; give it more of the width, or print it in thousands"));
    }

    /** The least width of a card. */
    private int natural(TypeSetting setting) {
        return Math.min(width, Math.max(LEAST_WIDTH * setting.percent() / 100, figures(setting)));
    }

    /** The width of the widest figure, or word of what it is compared with. */
    private int figures(TypeSetting setting) {
        return cards.stream()
                .flatMapToInt(card -> IntStream.concat(
                        IntStream.of(setting.width(card.value.text(), TextStyle.FIGURE)),
                        card.notes.stream()
                                .flatMap(note -> Arrays.stream(note.text().split(" ")))
                                .mapToInt(word -> setting.width(word, TextStyle.FIGURE_NOTE))))
                .max()
                .orElse(0);
    }

    private void row(int from, int to) {
        int labelLines = IntStream.range(from, to)
                .map(card -> labelLines(cards.get(card)).size())
                .max()
                .orElse(1);
        List<Measured> row = new ArrayList<>();
        int tallest = 0;
        for (int card = from; card < to; card++) {
            Measured one = card(cards.get(card), (card - from) * (cardWidth + GAP), labelLines);
            row.add(one);
            tallest = Math.max(tallest, one.height());
        }
        for (int i = 0; i < row.size(); i++) {
            boolean last = i == row.size() - 1;
            measured.add(Measured.item(
                            last ? tallest : 0, row.get(i).words(), row.get(i).rules())
                    .on(new Measured.Ground(i * (cardWidth + GAP), cardWidth, tallest - BELOW + BELOW_MARKED)));
        }
    }

    private List<String> labelLines(Card card) {
        return type.lines(card.label.text(), TextStyle.FIGURE_LABEL, cardWidth);
    }

    private Measured card(Card card, int x, int labelLines) {
        List<Measured.Line> lines = new ArrayList<>();
        int y = ABOVE;
        for (String line : labelLines(card)) {
            y += type.lineHeight(TextStyle.FIGURE_LABEL);
            lines.add(line(line, TextStyle.FIGURE_LABEL, x, y, card.label.part()));
        }
        y = ABOVE + labelLines * type.lineHeight(TextStyle.FIGURE_LABEL) + type.lineHeight(TextStyle.FIGURE);
        lines.add(new Measured.Line(
                card.value.text(), TextStyle.FIGURE, x, y - type.descent(TextStyle.FIGURE), card.value.part(), true));
        for (BandCell.Words note : card.notes) {
            for (String line : type.lines(note.text(), TextStyle.FIGURE_NOTE, cardWidth)) {
                y += type.lineHeight(TextStyle.FIGURE_NOTE);
                lines.add(line(line, TextStyle.FIGURE_NOTE, x, y, note.part()));
            }
        }
        return Measured.item(y + BELOW, lines, List.of(new Measured.Rule(x, 0, cardWidth)));
    }

    private Measured.Line line(String text, TextStyle style, int x, int bottom, String part) {
        return new Measured.Line(text, style, x, bottom - type.descent(style), part);
    }

    TypeSetting type() {
        return type;
    }

    Measured of(int figure) {
        return measured.get(figure);
    }
}
