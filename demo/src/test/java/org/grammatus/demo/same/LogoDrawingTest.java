package org.grammatus.demo.same;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page;
import org.grammatus.core.prompt.Answers;
import org.grammatus.demo.DemoData;
import org.grammatus.demo.Starters;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.junit.jupiter.api.Test;

/** A drawing beside the title is in the PDF what it is in its file, as a reader that is not ours paints it. */
class LogoDrawingTest {

    /** A ring open in its middle, a leaning square, a round-ended line, and something that reaches out of the field. */
    private static final String DRAWING = """
            <svg xmlns='http://www.w3.org/2000/svg' viewBox='-50 0 200 100'>
              <g transform='translate(-50 0)'>
                <path fill='#0000ff' fill-rule='evenodd' d='M10 50a40 40 0 1 1 80 0a40 40 0 1 1 -80 0zM30 50h40v20h-40z'/>
                <rect transform='rotate(45 130 50)' x='110' y='30' width='40' height='40' fill='#ff0000'/>
                <line x1='170' y1='20' x2='170' y2='80' stroke='#008000' stroke-width='20' stroke-linecap='round'/>
                <rect x='190' y='-500' width='900' height='900' fill='#ffa500'/>
              </g>
            </svg>
            """;

    private static final int DOTS_PER_INCH = 288;
    private static final double DOTS = DOTS_PER_INCH / 7200.0;

    private static RunResult run() throws IOException {
        String plain = Definitions.write(Starters.report("open-orders").orElseThrow());
        String look = "\"look\": {\"logo\": {\"svg\": \"" + DRAWING.replace("\n", " ") + "\", \"width\": 50}}, ";
        Report report = Definitions.readReport(plain.replaceFirst("\"page\"", look + "\"page\""));
        return new RunEngine(RunLimits.DEFAULT)
                .run(
                        new RunRequest(report, DemoData.datasets(report), new Answers(Map.of()), DemoData.CONTEXT),
                        DemoData.held(),
                        p -> {},
                        () -> false);
    }

    @Test
    void everyPartOfADrawingIsWhereItsFileSays() throws IOException {
        RunResult result = run();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Format.PDF.writer().write(result, out, WriteProgress.SILENT);
        Page.PictureBox logo = result.pages().page(1).drawings().pictures().getFirst();
        try (PDDocument document = Loader.loadPDF(out.toByteArray())) {
            BufferedImage painted = new PDFRenderer(document).renderImageWithDPI(0, DOTS_PER_INCH);
            // The ring, its open middle, and the paper beside it.
            assertThat(colour(painted, logo, 20, 50)).isEqualTo("0000ff");
            assertThat(colour(painted, logo, 50, 60)).isEqualTo("ffffff");
            assertThat(colour(painted, logo, 50, 40)).isEqualTo("0000ff");
            assertThat(colour(painted, logo, 12, 12)).isEqualTo("ffffff");
            // Corners of the leaning square, and where they would be if it stood upright.
            assertThat(colour(painted, logo, 130, 25)).isEqualTo("ff0000");
            assertThat(colour(painted, logo, 154, 50)).isEqualTo("ff0000");
            assertThat(colour(painted, logo, 113, 33)).isEqualTo("ffffff");
            // The line is round beyond its ends.
            assertThat(colour(painted, logo, 170, 13)).isEqualTo("008000");
            assertThat(colour(painted, logo, 162, 13)).isEqualTo("ffffff");
            // What reaches out of the field ends there.
            assertThat(colour(painted, logo, 195, 5)).isEqualTo("ffa500");
            assertThat(colour(painted, logo, 195, -3)).isEqualTo("ffffff");
            assertThat(colour(painted, logo, 203, 50)).isEqualTo("ffffff");
        }
    }

    private static String colour(BufferedImage painted, Page.PictureBox logo, double x, double y) {
        double scale = logo.picture().width() / 200.0;
        int rgb = painted.getRGB((int) ((logo.x() + x * scale) * DOTS), (int) ((logo.y() + y * scale) * DOTS));
        return "%06x".formatted(rgb & 0xFFFFFF);
    }
}
