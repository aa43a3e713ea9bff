package org.grammatus.core.plan.style;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.choice.ChoiceWord;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.choice.layout.PageLine;
import org.grammatus.core.choice.layout.PageLines;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.definition.style.Logo;
import org.grammatus.core.definition.style.StyleParts;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.PageText;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.typography.Faces;
import org.grammatus.core.value.Type;

/** What a style must be so that everybody can read it: contrast by WCAG 2.2, and looks told apart without colour. */
public final class StyleCheck {

    /** The least contrast of a text and what is behind it. */
    public static final double LEAST = 4.5;

    /** The tallest logo, in millimetres. */
    private static final int TALLEST = 60;

    private static final String PAPER = "#ffffff";
    private static final double OFFSET = 0.05;

    private StyleCheck() {}

    /**
     * Every fault of a style, with its place in the document.
     *
     * @param faces those that it may name
     */
    public static List<Problem> of(HouseStyle style, Faces faces) {
        PrintStyle look = StylePlanning.of(style);
        Problems problems = new Problems();
        if (faces.find(look.face()).isEmpty()) {
            problems.error("/look/face", "no face is called \"" + look.face() + "\"; choose one that is there");
        }
        for (TextStyle kind : TextStyle.values()) {
            legible("/look/texts", ChoiceWord.of(kind), look.texts().get(kind).ink(), PAPER, problems);
        }
        legible("/look/inks/negative", "figures below zero", look.figures().negativeInk(), PAPER, problems);
        style.look().figures().ifPresent(figures -> {
            figures.date().ifPresent(date -> day("/look/figures/date", date, problems));
            figures.time().ifPresent(time -> day("/look/figures/time", time, problems));
        });
        style.look().logo().ifPresent(logo -> logo(logo, problems));
        style.look().edges().ifPresent(edges -> edges(edges, problems));
        Set<String> ids = new HashSet<>();
        Set<String> signs = new HashSet<>();
        for (int i = 0; i < look.marks().size(); i++) {
            MarkStyle mark = look.marks().get(i);
            String at = "/look/marks/" + i;
            if (!ids.add(mark.id())) {
                problems.error(at + "/id", "the look \"" + mark.id() + "\" is here already; give it another id");
            }
            if (!signs.add(mark.sign())) {
                problems.error(
                        at + "/sign",
                        "another look has the sign \"" + mark.sign()
                                + "\"; without colour nobody could tell them apart");
            }
            String ink = mark.ink().isEmpty() ? look.texts().get(TextStyle.CELL).ink() : mark.ink();
            legible(at, "\"" + mark.name() + "\"", ink, mark.fill().isEmpty() ? PAPER : mark.fill(), problems);
        }
        return problems.found();
    }

    private static void edges(PageLines<String> edges, Problems problems) {
        edge("/look/edges/header", edges.header(), problems);
        edge("/look/edges/footer", edges.footer(), problems);
        edge("/look/edges/firstHeader", edges.firstHeader(), problems);
        edge("/look/edges/firstFooter", edges.firstFooter(), problems);
    }

    private static void edge(String pointer, Optional<PageLine<String>> edge, Problems problems) {
        edge.ifPresent(line -> {
            line.start()
                    .ifPresent(
                            text -> problems.collect(pointer + "/start", () -> PageText.ofWords(pointer, text), null));
            line.centre()
                    .ifPresent(
                            text -> problems.collect(pointer + "/centre", () -> PageText.ofWords(pointer, text), null));
            line.end()
                    .ifPresent(text -> problems.collect(pointer + "/end", () -> PageText.ofWords(pointer, text), null));
        });
    }

    private static void day(String pointer, String pattern, Problems problems) {
        Formats.check(pointer, pattern, Type.DATE, problems);
        if (!List.of("d", "M", "y").stream().allMatch(pattern::contains)) {
            problems.error(pointer, "a pattern of days has their day, month and year, such as d MMM y or y-MM-dd");
        }
    }

    /** @throws ProblemException if a logo that a report has by itself cannot be printed */
    public static void requireLogo(StyleParts look) {
        Problems problems = new Problems();
        look.logo().ifPresent(logo -> logo(logo, problems));
        problems.throwIfErrors();
    }

    private static void logo(Logo logo, Problems problems) {
        try {
            Picture printed = LogoFile.read(logo);
            if (printed.height() > TALLEST * LogoFile.HUNDREDTHS_OF_MM) {
                problems.error(
                        "/look/logo/width", "the logo would be taller than " + TALLEST + " mm; make it less wide");
            }
        } catch (IllegalArgumentException e) {
            problems.error(
                    "/look/logo/" + (logo.svg().isPresent() ? "svg" : "png"),
                    "the logo cannot be printed: " + e.getMessage() + "; save it anew as "
                            + (logo.svg().isPresent() ? "an SVG file of shapes in plain colours" : "a PNG file"));
        }
    }

    private static void legible(String pointer, String what, String ink, String ground, Problems problems) {
        double contrast = contrast(ink, ground);
        if (contrast < LEAST) {
            problems.error(
                    pointer,
                    String.format(
                            Locale.ROOT,
                            "the contrast of %s, %s on %s, is %.1f : 1, expected at least %.1f : 1; take a darker ink",
                            what,
                            ink,
                            ground,
                            contrast,
                            LEAST));
        }
    }

    /** The contrast of two colours, from 1 to 21. */
    public static double contrast(String one, String other) {
        double first = luminance(one);
        double second = luminance(other);
        return (Math.max(first, second) + OFFSET) / (Math.min(first, second) + OFFSET);
    }

    private static double luminance(String colour) {
        int rgb = Integer.parseInt(colour, 1, colour.length(), 16);
        return 0.2126 * linear(rgb >> 16) + 0.7152 * linear(rgb >> 8 & 0xFF) + 0.0722 * linear(rgb & 0xFF);
    }

    private static double linear(int channel) {
        double share = channel / 255.0;
        return share <= 0.04045 ? share / 12.92 : Math.pow((share + 0.055) / 1.055, 2.4);
    }
}
