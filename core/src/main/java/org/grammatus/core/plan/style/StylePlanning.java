package org.grammatus.core.plan.style;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.choice.layout.PageLines;
import org.grammatus.core.dataset.Patterns;
import org.grammatus.core.definition.style.FigureLook;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.definition.style.Inks;
import org.grammatus.core.definition.style.Logo;
import org.grammatus.core.definition.style.MarkLook;
import org.grammatus.core.definition.style.RuleLines;
import org.grammatus.core.definition.style.Spacing;
import org.grammatus.core.definition.style.StyleParts;
import org.grammatus.core.definition.style.TextLook;

/** Lays what a report says over its house style, and that over the one that all stand on. */
public final class StylePlanning {

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** What says something of the look, the most particular first; the last says everything. */
    private final List<StyleParts> layers;

    private StylePlanning(List<StyleParts> layers) {
        this.layers = layers;
    }

    /** The look of a report's pages. */
    public static PrintStyle planned(Optional<StyleParts> own, HouseStyle style) {
        return new StylePlanning(List.of(own.orElse(NOTHING), style.look(), HouseStyles.FOUNDATION.look())).all();
    }

    /** What stands at the edges of a report's pages where it says nothing of them itself. */
    public static Optional<PageLines<String>> edges(Optional<StyleParts> own, HouseStyle style) {
        return own.flatMap(StyleParts::edges).or(() -> style.look().edges());
    }

    /** The look of pages in a style alone. */
    public static PrintStyle of(HouseStyle style) {
        return planned(Optional.empty(), style);
    }

    private static final StyleParts NOTHING = new StyleParts(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    private PrintStyle all() {
        String text = of(StyleParts::inks, Inks::text);
        String quiet = of(StyleParts::inks, Inks::quiet);
        Map<TextStyle, PrintStyle.TextFace> texts = new EnumMap<>(TextStyle.class);
        for (TextStyle kind : TextStyle.values()) {
            String ink = ofText(kind, TextLook::ink);
            texts.put(
                    kind,
                    new PrintStyle.TextFace(
                            ofText(kind, TextLook::bold),
                            hundredths(ofText(kind, TextLook::size)),
                            switch (ink) {
                                case "text" -> text;
                                case "quiet" -> quiet;
                                default -> ink;
                            }));
        }
        return new PrintStyle(
                of(StyleParts::face, Optional::of),
                texts,
                new PrintStyle.Lines(
                        of(StyleParts::inks, Inks::rule),
                        of(StyleParts::inks, Inks::rows),
                        line(RuleLines::columnHeadings),
                        line(RuleLines::headings),
                        line(RuleLines::outerTotal),
                        line(RuleLines::innerTotal),
                        line(RuleLines::grandTotal),
                        line(RuleLines::belowGrandTotal),
                        line(RuleLines::rows)),
                new PrintStyle.Spacing(
                        of(StyleParts::spacing, Spacing::lines),
                        hundredths(of(StyleParts::spacing, Spacing::rows)),
                        of(StyleParts::spacing, Spacing::groups)),
                new PrintStyle.Figures(
                        of(StyleParts::figures, FigureLook::negative),
                        of(StyleParts::inks, Inks::negative),
                        of(StyleParts::figures, FigureLook::blank),
                        new Patterns(
                                figures(FigureLook::date),
                                figures(FigureLook::time),
                                figures(FigureLook::grouping).orElse(true))),
                of(parts -> parts.marks(), Optional::of).stream()
                        .map(StylePlanning::mark)
                        .toList(),
                of(parts -> parts.palette(), Optional::of),
                layers.stream()
                        .flatMap(layer -> layer.logo().stream())
                        .findFirst()
                        .flatMap(StylePlanning::picture));
    }

    private <T> Optional<T> figures(Function<FigureLook, Optional<T>> which) {
        return layers.stream()
                .flatMap(layer -> layer.figures().flatMap(which).stream())
                .findFirst();
    }

    private int line(Function<RuleLines, Optional<BigDecimal>> which) {
        return hundredths(of(StyleParts::rules, which));
    }

    /** A logo as large as it is printed; a file that is none is told where it is saved, and is not printed. */
    private static Optional<Picture> picture(Logo logo) {
        try {
            return Optional.of(LogoFile.read(logo));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static MarkStyle mark(MarkLook look) {
        return new MarkStyle(
                look.id(),
                look.name(),
                look.sign(),
                look.word().orElse(""),
                look.fill().orElse(""),
                look.ink().orElse(""),
                look.bold().orElse(false));
    }

    /** What the first layer says that says anything. */
    private <P, T> T of(Function<StyleParts, Optional<P>> part, Function<P, Optional<T>> property) {
        return layers.stream()
                .flatMap(layer -> part.apply(layer).flatMap(property).stream())
                .findFirst()
                .orElseThrow();
    }

    private <T> T ofText(TextStyle kind, Function<TextLook, Optional<T>> property) {
        return layers.stream()
                .flatMap(layer -> layer.texts().stream().flatMap(List::stream))
                .filter(look -> look.of() == kind)
                .flatMap(look -> property.apply(look).stream())
                .findFirst()
                .orElseThrow(() -> new IllegalStateException(
                        "The foundation says nothing of " + kind + " of " + Arrays.toString(TextStyle.values())));
    }

    private static int hundredths(BigDecimal points) {
        return points.multiply(HUNDRED).setScale(0, RoundingMode.HALF_UP).intValueExact();
    }
}
