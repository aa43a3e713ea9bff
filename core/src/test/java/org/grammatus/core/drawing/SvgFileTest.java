package org.grammatus.core.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.Meaning;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Meaning 46: a logo may be a drawing, of which all is shown or nothing. */
@Meaning(46)
class SvgFileTest {

    private static Drawing of(String inside) {
        return SvgFile.read(
                "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"10 20 100 50\">\n" + inside + "\n</svg>");
    }

    private static List<Step> outline(String inside) {
        return of(inside).shapes().getFirst().outline();
    }

    @Test
    void aDrawingIsAsLargeAsItsViewBoxWhoseCornerIsWherePlacesBegin() {
        Drawing drawing = of("<rect x='10' y='20' width='30' height='10' fill='#1f4e5f'/>");
        assertThat(drawing.width()).isEqualTo(100);
        assertThat(drawing.height()).isEqualTo(50);
        assertThat(drawing.shapes().getFirst().fill()).contains("#1f4e5f");
        assertThat(drawing.shapes().getFirst().outline())
                .startsWith(new Step.Move(0, 0), new Step.Line(30, 0))
                .endsWith(new Step.Close());
        assertThat(SvgFile.read("<svg xmlns='http://www.w3.org/2000/svg' width='2in' height='96px'>"
                                + "<circle r='9'/></svg>")
                        .width())
                .isEqualTo(192);
    }

    /** A path and the same one in steps of three kinds. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "M10 20 20 20 l5-5h5v-5H11z | M0 0L10 0L15 -5L20 -5L20 -10L1 -10Z",
                "m10,20c1 2 3 4 5 6s1 1 2 2 | M0 0C1 2 3 4 5 6C7 8 6 7 7 8",
                "M10 20Q13 23 16 20t6 0 | M0 0C2 2 4 2 6 0C8 -2 10 -2 12 0",
                "M10.5.5.5.5 | M0.5 -19.5L-9.5 -19.5",
                "M1e1 2E1L-1.5e1-2 | M0 0L-25 -22",
                "M10 20T12 20 | M0 0C0 0 0.6667 0 2 0"
            })
    void pathsAreReadStepByStep(String path, String steps) {
        assertThat(of("<path d='" + path + "'/>").svg()).contains("d=\"" + steps + "\"");
    }

    @Test
    void anArcGoesAlongItsEllipse() {
        for (String flags : List.of("0 0", "0 1", "1 0", "1 1")) {
            List<Step> steps = outline("<path d='M30 40a20 10 0 " + flags + " 20 10'/>");
            boolean large = flags.startsWith("1");
            boolean sweep = flags.endsWith("1");
            // The two ellipses through (20, 20) and (40, 30) have their middles in (40, 20) and (20, 30).
            double middleX = large == sweep ? 40 : 20;
            double middleY = large == sweep ? 20 : 30;
            assertThat(steps).hasSize(large ? 4 : 2);
            for (Step step : steps.subList(1, steps.size())) {
                Step.Curve curve = (Step.Curve) step;
                assertThat(Math.hypot((curve.x() - middleX) / 20, (curve.y() - middleY) / 10))
                        .isCloseTo(1, within(1e-9));
            }
            Step.Curve last = (Step.Curve) steps.getLast();
            assertThat(last.x()).isCloseTo(40, within(1e-9));
            assertThat(last.y()).isCloseTo(30, within(1e-9));
        }
        assertThat(outline("<path d='M10 20a0 5 0 0 1 9 9'/>")).last().isEqualTo(new Step.Line(9, 9));
    }

    @Test
    void anArcThatIsTooSmallIsAsLargeAsItMustBe() {
        List<Step> steps = outline("<path d='M10 20a1 1 0 0 1 20 0'/>");
        Step.Curve top = (Step.Curve) steps.get(1);
        assertThat(top.x()).isCloseTo(10, within(1e-9));
        assertThat(top.y()).isCloseTo(-10, within(1e-9));
    }

    @Test
    void circlesAndRoundCornersAreCurvesOfQuarters() {
        assertThat(outline("<circle cx='30' cy='40' r='10'/>"))
                .hasSize(6)
                .filteredOn(Step.Curve.class::isInstance)
                .hasSize(4);
        assertThat(outline("<rect x='10' y='20' width='30' height='10' rx='50'/>"))
                .startsWith(new Step.Move(15, 0))
                .filteredOn(Step.Curve.class::isInstance)
                .hasSize(4);
        assertThat(outline("<polygon points='10,20 20,20 20 30'/>"))
                .containsExactly(new Step.Move(0, 0), new Step.Line(10, 0), new Step.Line(10, 10), new Step.Close());
    }

    @Test
    void whatAGroupSaysHoldsForThoseInsideUnlessTheySayOtherwise() {
        Drawing drawing = of("""
                <g fill="none" style="stroke: rgb(255, 128, 0); stroke-width:2" color="navy" transform="translate(10 0)">
                  <line x1="0" x2="10" fill="red"/>
                  <g transform="scale(3)"><path d="M0 0h1" stroke-linecap="round" stroke-linejoin="bevel"/></g>
                  <path d="M0 0h9v9z" fill="currentColor" fill-rule="evenodd" stroke="none"/>
                  <path d="M0 0h9v9z" display="none"/>
                </g>
                <path d="M0 0h9v9z" fill="#abc"/>""");
        assertThat(drawing.shapes()).hasSize(4);
        Shape line = drawing.shapes().getFirst();
        assertThat(line.fill()).isEmpty();
        assertThat(line.stroke()).contains(new Shape.Stroke("#ff8000", 2, Shape.Cap.BUTT, Shape.Join.MITER, 4));
        assertThat(line.outline()).containsExactly(new Step.Move(0, -20), new Step.Line(10, -20));
        assertThat(drawing.shapes().get(1).stroke())
                .contains(new Shape.Stroke("#ff8000", 6, Shape.Cap.ROUND, Shape.Join.BEVEL, 4));
        assertThat(drawing.shapes().get(2).fill()).contains("#000080");
        assertThat(drawing.shapes().get(2).evenOdd()).isTrue();
        assertThat(drawing.shapes().get(2).stroke()).isEqualTo(Optional.empty());
        assertThat(drawing.shapes().get(3).fill()).contains("#aabbcc");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "rotate(90) | -2 | 1",
                "rotate(90 10 20) | 28 | 11",
                "translate(5) scale(2, 3) | 7 | 6",
                "scale(2),translate(1 1) | 4 | 6",
                "matrix(1 2 3 4 5 6) | 12 | 16",
                "skewX(45) | 3 | 2",
                "skewY(45) | 1 | 3"
            })
    void transformsAreFollowedFromTheLastToTheFirst(String transform, double x, double y) {
        Step.Move first = (Step.Move)
                outline("<path transform='" + transform + "' d='M1 2h1'/>").getFirst();
        assertThat(first.x() + 10).isCloseTo(x, within(1e-9));
        assertThat(first.y() + 20).isCloseTo(y, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "<script>alert(1)</script> | line 2: <script> is not drawn",
                "<g>&#10;<text>Merrowdale</text></g> | line 3: <text> is not drawn",
                "<image width='5'/> | <image> is not drawn",
                "<style>.a{fill:red}</style> | <style> is not drawn",
                "<a href='javascript:alert(1)'><path d='M0 0h1'/></a> | href=\"javascript:alert(1)\" is not drawn",
                "<path d='M0 0h1' onclick='alert(1)'/> | onclick=\"alert(1)\" is not drawn",
                "<path d='M0 0h1' opacity='.5'/> | opacity=\".5\" is not drawn",
                "<path d='M0 0h1' style='clip-path:url(#a)'/> | clip-path=\"url(#a)\" is not drawn",
                "<path d='M0 0h1' vector-effect='non-scaling-stroke'/> | vector-effect=\"non-scaling-stroke\" is not drawn",
                "<path d='M0 0h1' fill='url(#sky)'/> | the colour \"url(#sky)\" is not known",
                "<path d='M0 0q1'/> | its path cannot be read after character 6",
                "<path d='L0 0'/> | its path cannot be read after character 1",
                "<path d='M0 0z5 5'/> | its path cannot be read",
                "<path d='M0 1e30'/> | the number 1e30 is too large",
                "<g transform='scale(1e6)'><g transform='scale(1e6)'><path d='M0 0h1'/></g></g> | too large",
                "<path transform='wobble(3)' d='M0 0h1'/> | its transform wobble cannot be followed",
                "<path transform='scale(2' d='M0 0h1'/> | cannot be followed",
                "<circle r='50%'/> | \"50%\" is no length",
                "<g><path | it is no sound XML from line",
                "<defs><path d='M0 0h1'/></defs> | there is nothing in it to be drawn"
            })
    void whatIsNotDrawnIsToldWithItsLine(String inside, String fault) {
        assertThatThrownBy(() -> of(inside.replace("&#10;", "\n")))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(fault);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<svg viewBox='0 0 1 1'><path d='M0 0h1'/></svg>",
                "<html xmlns='http://www.w3.org/1999/xhtml'/>",
                "",
                "{}",
                "<svg xmlns='http://www.w3.org/2000/svg'><path d='M0 0h1'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 0 5'><path d='M0 0h1'/></svg>"
            })
    void whatIsNoDrawingIsRefused(String document) {
        assertThatThrownBy(() -> SvgFile.read(document)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void nothingIsFetchedAndNoEntityGrows() {
        String bomb = """
                <!DOCTYPE svg [<!ENTITY a "MMMMMMMMMM"><!ENTITY b "&a;&a;&a;&a;"><!ENTITY f SYSTEM "file:///etc/passwd">]>
                <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><title>&f;&b;</title><path d="M0 0h9v9z"/></svg>
                """;
        assertThatThrownBy(() -> SvgFile.read(bomb))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("no sound XML");
        String named = """
                <?xml version="1.0"?>
                <!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">
                <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0 0h9v9z"/></svg>
                """;
        assertThat(SvgFile.read(named).shapes()).hasSize(1);
    }

    @Test
    void tooManyStepsAreRefused() {
        String path = "<path d='M0 0" + "h1".repeat(SvgFile.MOST_STEPS) + "'/>";
        assertThatThrownBy(() -> of(path)).hasMessageContaining("simplify it");
    }

    /** What is shown is written by us alone: reading it again comes to the same drawing, and nothing else of the file is in it. */
    @Test
    void aDrawingIsWrittenAsPathsAlone() {
        Drawing drawing = of("""
                <title>Merrowdale</title><!-- a note --><x:y xmlns:x="urn:x" x:z="1"><x:a/></x:y>
                <g id="outer" class="a" data-z="&lt;script>"><ellipse cx="50" cy="40" rx="8" ry="3" stroke="teal"/></g>""");
        String written = drawing.svg();
        assertThat(written)
                .matches("<svg xmlns=\"[^\"]*\" viewBox=\"0 0 100 50\">(<path [-a-zA-Z0-9#=\". ]*/>)+</svg>");
        assertThat(SvgFile.read(written).svg()).isEqualTo(written);
    }
}
