package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.TextPlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/** A text: its paragraphs, broken into lines. */
final class TextBlockLayout extends BlockLayout {

    /** A paragraph of more lines might be taller than a page. */
    private static final int MOST_LINES = 30;

    private static final int BELOW_WORDS = 500;
    /** Room for a hand. */
    private static final int WRITING_LINE = 2_200;

    private static final int ABOVE_SIGNATURE = 3_000;
    private static final int SIGNATURE_WIDTH = 18_000;

    private final TextPlan text;
    private final TypeSetting type;
    private final List<Measured> measured;

    /**
     * Fits a text.
     *
     * @throws ProblemException if a paragraph is too long for its width
     */
    TextBlockLayout(Bands bands, TextPlan text, int width, int titleWidth, int most) {
        super(bands, width, titleWidth);
        this.text = text;
        this.type = TypeSetting.of(most, plan().inputs());
        this.measured = IntStream.range(0, text.paragraphs().size())
                .mapToObj(this::measured)
                .toList();
    }

    @Override
    TypeSetting type() {
        return type;
    }

    @Override
    Measured body(int band) {
        return measured.get(bands().row(band));
    }

    private Measured measured(int index) {
        return switch (text.paragraphs().get(index)) {
            case TextPlan.Words words -> words(index, style(words), words.align());
            case TextPlan.Signature signature -> signature(index, signature.align());
            case TextPlan.Line line ->
                Measured.item(WRITING_LINE, List.of(), List.of(new Measured.Rule(0, WRITING_LINE, width())));
        };
    }

    private static TextStyle style(TextPlan.Words words) {
        return switch (words.size()) {
            case LARGE -> TextStyle.LARGE_TEXT;
            case NORMAL -> TextStyle.NORMAL_TEXT;
            case SMALL -> TextStyle.SMALL_TEXT;
        };
    }

    private Measured words(int index, TextStyle style, Align align) {
        List<Measured.Line> lines = new ArrayList<>();
        int bottom = put(index, style, align, 0, width(), 0, lines);
        return Measured.item(bottom + BELOW_WORDS, lines, List.of());
    }

    private Measured signature(int index, Align align) {
        List<Measured.Line> lines = new ArrayList<>();
        int room = Math.min(SIGNATURE_WIDTH, width());
        int x = shifted(align, 0, width(), room);
        int bottom = put(index, TextStyle.SMALL_TEXT, Align.START, x, room, ABOVE_SIGNATURE + 150, lines);
        return Measured.item(bottom + BELOW_WORDS, lines, List.of(new Measured.Rule(x, ABOVE_SIGNATURE, room)));
    }

    /** Puts a paragraph's lines one below the other and returns where they end. */
    private int put(int index, TextStyle style, Align align, int left, int room, int top, List<Measured.Line> lines) {
        var words = contents().paragraph(index);
        List<String> broken = type.lines(words.text(), style, room, MOST_LINES + 1);
        if (broken.size() > MOST_LINES) {
            throw new ProblemException(Problem.error(
                    text.pointer(),
                    "a paragraph needs more than " + MOST_LINES
                            + " lines at this width; make it several, or give the text more of the width"));
        }
        int y = top;
        for (String line : broken) {
            y += type.lineHeight(style);
            int x = shifted(align, left, room, type.width(line, style));
            lines.add(new Measured.Line(line, style, x, y - type.descent(style), words.part()));
        }
        return y;
    }

    private static int shifted(Align align, int left, int room, int width) {
        return switch (align) {
            case START -> left;
            case CENTRE -> left + Math.max(0, (room - width) / 2);
            case END, DECIMAL -> left + Math.max(0, room - width);
        };
    }
}
