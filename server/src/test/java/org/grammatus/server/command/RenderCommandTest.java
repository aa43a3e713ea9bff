package org.grammatus.server.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.grammatus.demo.ScenarioDatabase;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.demo.Starters;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The command line: files whole or not at all, wrong input in words with a status that is not zero. */
class RenderCommandTest {

    @TempDir
    static Path shared;

    @TempDir
    Path folder;

    private static Path database;

    @BeforeAll
    static void makeDatabase() {
        database = shared.resolve("demo.db");
        ScenarioDatabase.create(database, ScenarioSize.DEMO.withSalesOrders(300));
    }

    private record Outcome(int status, String errors, String output) {}

    private static Outcome grammatus(String... arguments) {
        PrintStream before = System.err;
        PrintStream beforeOut = System.out;
        ByteArrayOutputStream errors = new ByteArrayOutputStream();
        ByteArrayOutputStream output = new ByteArrayOutputStream();
        System.setErr(new PrintStream(errors, true, StandardCharsets.UTF_8));
        System.setOut(new PrintStream(output, true, StandardCharsets.UTF_8));
        try {
            return new Outcome(
                    GrammatusCommand.execute(arguments),
                    errors.toString(StandardCharsets.UTF_8),
                    output.toString(StandardCharsets.UTF_8));
        } finally {
            System.setErr(before);
            System.setOut(beforeOut);
        }
    }

    private Outcome render(String report, String... more) {
        String[] arguments = new String[5 + more.length];
        arguments[0] = "render";
        arguments[1] = report;
        arguments[2] = "--database";
        arguments[3] = database.toString();
        arguments[4] = "--output=" + folder.resolve("out.pdf");
        System.arraycopy(more, 0, arguments, 5, more.length);
        return grammatus(arguments);
    }

    @Test
    void aStylesFaceComesFromItsFiles() throws Exception {
        Path face = Files.write(folder.resolve("noto.ttf"), Family.WIDE.bytes(Weight.REGULAR));
        Path style = Files.writeString(
                folder.resolve("style.json"),
                "{\"format\": \"grammatus-style\", \"version\": 1, \"id\": \"s\", \"name\": \"S\","
                        + " \"look\": {\"face\": \"house-face\"}}");
        Outcome without = render("quiet-apiaries", "--style=" + style);
        assertThat(without.status()).isZero();
        assertThat(without.errors()).contains("no face is called \"house-face\"");
        Outcome set = render("quiet-apiaries", "--style=" + style, "--face", "house-face=" + face);
        assertThat(set.status()).as(set.errors()).isZero();
        assertThat(set.errors()).doesNotContain("no face is called");
        try (PDDocument document = Loader.loadPDF(folder.resolve("out.pdf").toFile())) {
            Set<String> fonts = new HashSet<>();
            for (COSName name : document.getPage(0).getResources().getFontNames()) {
                fonts.add(document.getPage(0).getResources().getFont(name).getName());
            }
            assertThat(fonts).isNotEmpty().allMatch(font -> font.contains("NotoSans"));
        }
        Outcome missing = render("quiet-apiaries", "--face", "house-face=nowhere.ttf");
        assertThat(missing.status()).isNotZero();
        assertThat(missing.errors()).contains("nowhere.ttf").contains("cannot be read");
        Outcome wrong = render("quiet-apiaries", "--face", "house-face=" + style);
        assertThat(wrong.status()).isNotZero();
        assertThat(wrong.errors()).contains("no TrueType or OpenType font");
    }

    @Test
    void rendersAStarterReportOrADefinitionFileToTheSameBytes() throws Exception {
        assertThat(render("sales-by-fiscal-year", "--answer", "period=2026-01-01/2026-03-31")
                        .status())
                .isZero();
        byte[] byName = Files.readAllBytes(folder.resolve("out.pdf"));
        Path file = Files.writeString(folder.resolve("own.json"), Starters.reportText("sales-by-fiscal-year"));
        assertThat(render(file.toString(), "--answer", "period=2026-01-01/2026-03-31")
                        .status())
                .isZero();
        assertThat(Files.readAllBytes(folder.resolve("out.pdf")))
                .isEqualTo(byName)
                .startsWith("%PDF".getBytes());
    }

    @Test
    void writesTheLogicalResultAsJson() throws Exception {
        assertThat(render("sales-by-fiscal-year", "--format", "json").status()).isZero();
        assertThat(folder.resolve("out.pdf")).content().startsWith("{\"format\":\"grammatus-result\",\"version\":2");
    }

    @Test
    void severalTablesAsCsvAreAnArchiveAndAreCalledSo() throws Exception {
        refused(render("order-book", "--format", "csv"), "The report has 3 blocks, which csv has in one archive");
        assertThat(folder.resolve("out.pdf")).doesNotExist();
        Path archive = folder.resolve("book.zip");
        assertThat(grammatus(
                                "render",
                                "order-book",
                                "--database",
                                database.toString(),
                                "--format",
                                "csv",
                                "-o",
                                archive.toString())
                        .status())
                .isZero();
        assertThat(Files.readAllBytes(archive)).startsWith("PK".getBytes());
        assertThat(render("order-book", "--format", "json").status()).isZero();
        assertThat(folder.resolve("out.pdf")).content().startsWith("{\"format\":\"grammatus-result\",\"version\":3");
    }

    @Test
    void aReportTooWideForItsPaperCanBeHadInFormatsWithoutPages() throws Exception {
        StringBuilder columns = new StringBuilder();
        for (int i = 0; i < 60; i++) {
            columns.append(
                    "{\"id\": \"w%d\", \"label\": \"Amount number %d\", \"value\": \"net_amount\", \"width\": 90},"
                            .formatted(i, i));
        }
        Path file = Files.writeString(
                folder.resolve("own.json"),
                Starters.reportText("sales-by-fiscal-year")
                        .replaceFirst("\"columns\": \\[", "\"columns\": [" + columns));
        refused(render(file.toString()), "the columns do not fit the paper");
        assertThat(render(file.toString(), "--format", "csv").status()).isZero();
        assertThat(folder.resolve("out.pdf")).content().contains("Amount number 59");
        assertThat(render(file.toString(), "--format", "json").status()).isZero();
    }

    @Test
    void helpNamesEveryFormatAndADayThatIsNoneIsSaidInWords() throws Exception {
        assertThat(grammatus("render", "--help").output()).contains("pdf, csv, json");
        refused(
                render("sales-by-fiscal-year", "--business-date", "2026-02-30"),
                "--business-date: \"2026-02-30\" is no day: February 2026 has 28 days");
        refused(render("sales-by-fiscal-year", "--business-date", "soon"), "expected a day such as 2026-01-31");
        refused(render("sales-by-fiscal-year", "--zone", "Europe/Berlim"), "did you mean \"Europe/Berlin\"?");
    }

    @Test
    void aDatasetIsTheReportsOwnOrOneThatItIsBuiltOn() throws Exception {
        String base = Starters.datasetText("sales-order-lines");
        Path other = Files.writeString(
                folder.resolve("other.json"),
                base.replaceFirst("\"id\": \"sales-order-lines\"", "\"id\": \"sales-order-line\""));
        refused(
                render("sales-by-fiscal-year", "--dataset", other.toString()),
                "/dataset: the report stands on dataset \"sales-order-lines\", but --dataset gave \"sales-order-line\"");
        Path built = Files.writeString(folder.resolve("built.json"), """
                {"format": "grammatus-dataset", "version": 1, "id": "own-lines", "label": "Own", "builtOn": ["mine"],
                 "tables": [], "joins": [], "fields": [], "grain": "lines"}""");
        Path mine = Files.writeString(
                folder.resolve("mine.json"), base.replaceFirst("\"id\": \"sales-order-lines\"", "\"id\": \"mine\""));
        Path report = Files.writeString(
                folder.resolve("own.json"),
                Starters.reportText("sales-by-fiscal-year").replace("\"sales-order-lines\"", "\"own-lines\""));
        String grain = base.replaceAll("(?s).*?\"grain\": \"([a-z-]+)\".*", "$1");
        Files.writeString(built, Files.readString(built).replace("\"lines\"}", "\"" + grain + "\"}"));
        Outcome both = render(report.toString(), "--dataset", built.toString(), "--dataset", mine.toString());
        assertThat(both.status()).as(both.errors()).isZero();
        Files.delete(folder.resolve("out.pdf"));
        refused(render(report.toString(), "--dataset", built.toString()), "unknown dataset \"mine\"");
    }

    @Test
    void anAnswerThatNoRowHasIsSaidWithANearOne() throws Exception {
        Path file = Files.writeString(
                folder.resolve("own.json"),
                Starters.reportText("sales-by-fiscal-year")
                        .replaceFirst(
                                "\"prompts\": \\[",
                                "\"prompts\": [{\"id\": \"p-region\", \"name\": \"region\", \"type\": \"choice\","
                                        + " \"label\": \"Region\", \"field\": \"region\"},")
                        .replaceFirst(
                                "\"filters\": \\[",
                                "\"filters\": [{\"id\": \"f-region\", \"kind\": \"condition\", \"field\": \"region\","
                                        + " \"comparison\": \"is\", \"prompt\": \"region\"},"));
        Outcome outcome = render(file.toString(), "--answer", "region=Cost");
        assertThat(outcome.status()).isZero();
        assertThat(outcome.errors()).contains("no row has the Region \"Cost\"; did you mean \"Coast\"?");
    }

    private void refused(Outcome outcome, String message) {
        assertThat(outcome.status()).isNotZero();
        assertThat(outcome.errors())
                .contains(message)
                .doesNotContain("Exception")
                .doesNotContain("\tat ");
        assertThat(folder.resolve("out.pdf")).doesNotExist();
    }

    @Test
    void wrongInputIsSaidInWordsAndLeavesNoFile() throws Exception {
        refused(render("sales-by-fiscal-yaer"), "did you mean \"sales-by-fiscal-year\"?");
        refused(
                render("sales-by-fiscal-year", "--answer", "period=2026-03-31/2026-01-01"),
                "/answers/period: \"2026-03-31/2026-01-01\" is not a period: its first day, 31 March 2026, is after its last, 1 January 2026; swap them");
        refused(render("sales-by-fiscal-year", "--answer", "perod=all"), "did you mean \"period\"?");
        refused(render("sales-by-fiscal-year", "--format", "pfd"), "did you mean \"pdf\"?");
        Path broken =
                Files.writeString(folder.resolve("broken.json"), "{\"format\": \"grammatus-report\", \"version\": 9}");
        refused(render(broken.toString()), "/version: found version 9");
        Path binary = Files.write(folder.resolve("binary.json"), new byte[] {(byte) 0xC3, 0x28});
        refused(render(binary.toString()), "could not be read");
        String out = "--output=" + folder.resolve("out.pdf");
        refused(
                grammatus("render", "sales-by-fiscal-year", out, "--database=" + folder.resolve("no.db")),
                "There is no database at");
        refused(
                grammatus(
                        "render",
                        "sales-by-fiscal-year",
                        "--database=" + database,
                        "--output=" + folder.resolve("missing/out.pdf")),
                "There is no folder");
        refused(render("sales-by-fiscal-year", "--no-such-option"), "Unknown option");
    }

    @Test
    void anUnknownFieldIsSaidWithItsPlace() throws Exception {
        Path file = Files.writeString(
                folder.resolve("own.json"),
                Starters.reportText("sales-by-fiscal-year").replace("SUM(net_amount)", "SUM(net_amuont)"));
        refused(render(file.toString()), "1:5 unknown field \"net_amuont\"; did you mean \"net_amount\" (Net sales)?");
    }
}
