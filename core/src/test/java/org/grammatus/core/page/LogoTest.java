package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.stream.Collectors;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.style.Picture;
import org.grammatus.core.plan.style.StyleCheck;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.typography.Faces;
import org.junit.jupiter.api.Test;

/** Meaning 46: a logo stands at the right of the title; what is no sound picture is refused, and never breaks a page. */
@Meaning(46)
class LogoTest {

    /** A picture of one grey, as a PNG file. */
    private static byte[] png(int width, int height, int interlaced) throws IOException {
        return png(width, height, new byte[] {8, 0, 0, 0, (byte) interlaced}, (byte) 0);
    }

    private static byte[] png(int width, int height, byte[] kind, byte filter) throws IOException {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(file);
        out.writeLong(0x89504E470D0A1A0AL);
        ByteArrayOutputStream header = new ByteArrayOutputStream();
        DataOutputStream fields = new DataOutputStream(header);
        fields.writeInt(width);
        fields.writeInt(height);
        fields.write(kind);
        chunk(out, "IHDR", header.toByteArray());
        Deflater deflater = new Deflater();
        byte[] lines = new byte[(width + 1) * height];
        for (int line = 0; line < height; line++) {
            lines[line * (width + 1)] = filter;
        }
        deflater.setInput(lines);
        deflater.finish();
        byte[] dots = new byte[1000 + (width + 1) * height];
        int length = deflater.deflate(dots);
        chunk(out, "IDAT", Arrays.copyOf(dots, length));
        chunk(out, "IEND", new byte[0]);
        return file.toByteArray();
    }

    private static void chunk(DataOutputStream out, String name, byte[] content) throws IOException {
        byte[] title = name.getBytes(StandardCharsets.US_ASCII);
        CRC32 sum = new CRC32();
        sum.update(title);
        sum.update(content);
        out.writeInt(content.length);
        out.write(title);
        out.write(content);
        out.writeInt((int) sum.getValue());
    }

    private static String base64(byte[] file) {
        return Base64.getEncoder().encodeToString(file);
    }

    private static final String DRAWING = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 60 40'>"
            + "<circle cx='30' cy='20' r='15' fill='teal'/></svg>";

    private static Page page(String png) {
        return pageWith("\"png\": \"" + png + "\"");
    }

    private static Page pageWith(String file) {
        String report = Samples.REPORT.replace(
                "\"page\": {", "\"look\": {\"logo\": {" + file + ", \"width\": 30}}, \"page\": {");
        Samples rows = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "10.00");
        return Pages.of(Bands.of(rows.grouped(Definitions.readReport(report), Answers.NONE)), () -> false)
                .page(1);
    }

    private static String faults(String png, int width) {
        return faultsOf("\"png\": \"" + png + "\"", width);
    }

    private static String faultsOf(String files, int width) {
        String style = """
                {"format": "grammatus-style", "version": 1, "id": "s", "name": "S",
                 "look": {"logo": {%s, "width": %d}}}
                """.formatted(files, width);
        return StyleCheck.of(Definitions.readStyle(style), Faces.SHIPPED).stream()
                .map(Problem::toString)
                .collect(Collectors.joining("\n"));
    }

    @Test
    void aLogoStandsAtTheRightOfTheTitleWhichKeepsClearOfIt() throws IOException {
        Page page = page(base64(png(60, 40, 0)));
        assertThat(page.drawings().pictures()).hasSize(1);
        Page.PictureBox box = page.drawings().pictures().getFirst();
        Picture logo = box.picture();
        assertThat(logo.width()).isEqualTo(8_504);
        assertThat(logo.height()).isEqualTo(5_669);
        assertThat(box.x() + logo.width()).isBetween(page.width() - 15 * 284, page.width() - 15 * 283);
        Page.BandBox title = page.bands().getFirst();
        assertThat(title.height()).isGreaterThan(logo.height());
        int end = page.bands().get(1).firstCell();
        assertThat(page.cells().subList(title.firstCell(), end)).allMatch(cell -> cell.x() + cell.width() < box.x());
        assertThat(faults(base64(png(60, 40, 0)), 30)).isEmpty();
    }

    @Test
    void aDrawingStandsWhereAPictureWould() throws IOException {
        Page page = pageWith("\"svg\": \"" + DRAWING + "\"");
        Page.PictureBox box = page.drawings().pictures().getFirst();
        Page.PictureBox dots =
                page(base64(png(60, 40, 0))).drawings().pictures().getFirst();
        assertThat(box.x()).isEqualTo(dots.x());
        assertThat(box.y()).isEqualTo(dots.y());
        assertThat(box.picture()).isInstanceOf(Picture.Drawn.class);
        assertThat(box.picture().width()).isEqualTo(8_504);
        assertThat(box.picture().height()).isEqualTo(5_669);
        assertThat(faultsOf("\"svg\": \"" + DRAWING + "\"", 30)).isEmpty();
    }

    @Test
    void whatCannotBeDrawnIsToldAndNotPrinted() {
        String text = "\"svg\": \"" + DRAWING.replace("</svg>", "<script/></svg>") + "\"";
        assertThat(faultsOf(text, 30)).contains("/look/logo/svg").contains("<script> is not drawn");
        assertThat(pageWith(text).drawings().pictures()).isEmpty();
        assertThat(faultsOf("\"svg\": \"" + DRAWING + "\", \"png\": \"AAAA\"", 30))
                .contains("either");
        assertThat(faultsOf("\"svg\": \"" + DRAWING.replace("60 40", "1 40") + "\"", 30))
                .contains("taller than");
    }

    @Test
    void whatIsNoSoundPictureIsToldAndNotPrinted() throws IOException {
        byte[] good = png(60, 40, 0);
        byte[] damaged = good.clone();
        damaged[45]++;
        byte[] broken = Arrays.copyOf(good, good.length - 20);
        assertThat(faults("<svg onload='alert(1)'/>".replace("'", ""), 30))
                .contains("/look/logo/png")
                .contains("no Base64");
        assertThat(faults(base64("<svg></svg>".getBytes(StandardCharsets.UTF_8)), 30))
                .contains("it is no PNG file");
        assertThat(faults(base64(damaged), 30)).contains("damaged");
        assertThat(faults(base64(broken), 30)).contains("breaks off");
        assertThat(faults(base64(png(60, 40, 1)), 30)).contains("interlaced");
        assertThat(faults(base64(png(5000, 2, 0)), 30)).contains("5000 × 2 dots");
        assertThat(faults(base64(png(10, 400, 0)), 30))
                .contains("/look/logo/width")
                .contains("taller than");
        assertThat(page(base64(damaged)).drawings().pictures()).isEmpty();
    }

    /** A file made of the parts of a sound one in another order. */
    private static byte[] ordered(int... chunks) throws IOException {
        byte[] good = png(60, 40, 0);
        int header = 8 + 12 + 13;
        int end = good.length - 12;
        byte[][] parts = {
            Arrays.copyOfRange(good, 8, header),
            Arrays.copyOfRange(good, header, end),
            Arrays.copyOfRange(good, end, good.length)
        };
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.write(good, 0, 8);
        for (int chunk : chunks) {
            file.write(parts[chunk]);
        }
        return file.toByteArray();
    }

    @Test
    void filesThatReadersStumbleOverAreRefused() throws IOException {
        for (byte[] kind : List.of(
                new byte[] {3, 0, 0, 0, 0},
                new byte[] {16, 3, 0, 0, 0},
                new byte[] {4, 2, 0, 0, 0},
                new byte[] {8, 3, 0, 0, 0},
                new byte[] {8, 0, 1, 0, 0},
                new byte[] {8, 0, 0, 1, 0})) {
            assertThat(faults(base64(png(60, 40, kind, (byte) 0)), 30)).contains("damaged");
        }
        assertThat(faults(base64(png(60, 40, new byte[] {8, 0, 0, 0, 0}, (byte) 5)), 30))
                .contains("damaged");
        assertThat(faults(base64(ordered(1, 0, 2)), 30)).contains("damaged");
        assertThat(faults(base64(ordered(0, 0, 1, 2)), 30)).contains("damaged");
        assertThat(faults(base64(ordered(0, 1, 2)), 30)).isEmpty();
    }

    @Test
    void drawingsOfWhateverUnitsAreDrawnAlike() {
        for (String box : List.of("0.00000006 0.00000004", "60000000 40000000")) {
            String scale = box.startsWith("0") ? "0.000000001" : "1000000";
            String drawing = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 " + box + "'><path transform='scale("
                    + scale + ")' d='M0 0L60 0L60 40Z' fill='#336699'/></svg>";
            String text = "\"svg\": \"" + drawing + "\"";
            if (box.startsWith("6")) {
                assertThat(faultsOf(text, 30)).contains("too large");
                continue;
            }
            assertThat(faultsOf(text, 30)).isEmpty();
            Picture.Drawn drawn = (Picture.Drawn)
                    pageWith(text).drawings().pictures().getFirst().picture();
            assertThat(drawn.drawing().width()).isCloseTo(1000, org.assertj.core.data.Offset.offset(0.001));
        }
    }

    @Test
    void aFileThatIsTooLargeIsRefusedBeforeItIsRead() {
        assertThatThrownBy(() -> faults("A".repeat(99_001), 30))
                .hasMessageContaining("/look/logo/png: found a text of 99001 characters, expected at most 99000");
    }
}
