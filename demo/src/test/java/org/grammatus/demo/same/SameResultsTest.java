package org.grammatus.demo.same;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.grammatus.core.Meaning;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.grammatus.demo.DemoData;
import org.grammatus.demo.Starters;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.profile.DayValues;
import org.grammatus.runs.rowcache.HeldRows;
import org.grammatus.runs.rowcache.SpillFolder;
import org.grammatus.sources.DatasetReader;
import org.junit.jupiter.api.Test;

/**
 * What is printed stays what it was: digests of every format of the reports that come with the product and of generated ones, each beside
 * what it was when they were last written down. Where a change is meant, {@code -Dgrammatus.results=write} writes them down anew, and the
 * change of the files says which reports it reached.
 */
@Meaning(2)
class SameResultsTest {

    private static final int GENERATED = 500;
    private static final boolean WRITE = "write".equals(System.getProperty("grammatus.results"));
    private static final Path FOLDER = Path.of("src/test/resources/org/grammatus/demo/same");
    private static final List<String> PERIODS =
            List.of("previous month", "fiscal year to date", "2026-08-03/2026-08-16");

    private static final DatasetReader READER = DemoData.held();

    /**
     * A generated report as its reader looks at it.
     *
     * @throws ProblemException if it cannot be run
     */
    static RunResult generated(int seed) {
        RandomReport random = new RandomReport(seed);
        Report report = Definitions.readReport(random.text());
        return run(report, Map.of(), random.view());
    }

    /** A report that comes with the product, over a fortnight where it asks for a period. */
    static RunResult starter(String id) {
        Report report = Starters.report(id).orElseThrow();
        return run(report, fortnight(report), ReaderView.PLAIN);
    }

    private static Map<String, String> fortnight(Report report) {
        return report.prompts().stream().anyMatch(prompt -> prompt.name().equals("period"))
                ? Map.of("period", "2026-08-03/2026-08-16")
                : Map.of();
    }

    private static RunResult run(Report report, Map<String, String> answers, ReaderView view) {
        return run(report, answers, view, READER);
    }

    private static RunResult run(Report report, Map<String, String> answers, ReaderView view, DatasetReader reader) {
        return new RunEngine(RunLimits.DEFAULT)
                .run(
                        new RunRequest(
                                report, DemoData.datasets(report), answered(report, answers), DemoData.CONTEXT, view),
                        reader,
                        progress -> {},
                        () -> false);
    }

    private static Answers answered(Report report, Map<String, String> answers) {
        return DayValues.found(new Answers(answers), report, DemoData.datasets(report), READER, DemoData.CONTEXT);
    }

    private static byte[] written(RunResult result, Format format) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        format.writer().write(result, out, WriteProgress.SILENT);
        return format == Format.PDF ? drawn(out.toByteArray()) : out.toByteArray();
    }

    /** What a PDF draws, page by page: compressed bytes depend on the machine's compression. */
    private static byte[] drawn(byte[] pdf) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (PDPage page : document.getPages()) {
                out.write(page.getContents().readAllBytes());
            }
        }
        return out.toByteArray();
    }

    private static String digest(byte[] content) {
        try {
            byte[] all = MessageDigest.getInstance("SHA-256").digest(content);
            return HexFormat.of().formatHex(all, 0, 6);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String digest(RunResult result, Format format) {
        try {
            return digest(written(result, format));
        } catch (ProblemException e) {
            return digest(e.getMessage().getBytes(StandardCharsets.UTF_8)) + "!";
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** All that a page shows; the addresses of its groups are what they are called, not what is seen of them. */
    private static String shown(Page page) {
        String all = "Page[number=" + page.number() + ", of=" + page.of() + ", width=" + page.width() + ", height="
                + page.height() + ", family=" + page.fonts().family() + ", styles="
                + page.fonts().styles()
                + ", nodes=" + page.nodes() + ", ids=" + page.ids() + ", texts=" + page.texts() + ", bands="
                + page.bands() + ", cells=" + page.cells() + ", runs="
                + page.fonts().runs() + ", rules="
                + page.drawings().rules() + ", ruleInks=" + page.drawings().ruleInks() + ", fills="
                + page.drawings().fills() + ", fillColours=" + page.drawings().fillColours() + ", pictures="
                + page.drawings().pictures() + ", braces=" + page.parts().braces() + ", blocks="
                + page.parts().blocks() + ", columns=" + page.parts().columns() + ", marks="
                + page.parts().marks() + "]";
        return all.replaceAll(", address=[^,]*?](?=, Node\\[|], )", "]");
    }

    /** One digest a format, and one of all pages as they are shown; of a report that cannot be run, of why. */
    private static String digests(Report report, Map<String, String> answers, ReaderView view) {
        try {
            RunResult result = run(report, answers, view);
            List<String> all = new ArrayList<>();
            for (Format format : Format.values()) {
                all.add(format.word() + " " + digest(result, format));
            }
            if (result.pageCount() > 0) {
                String pages = IntStream.rangeClosed(1, result.pageCount())
                        .mapToObj(number -> shown(result.pages().page(number)))
                        .reduce("", String::concat);
                all.add("pages " + digest(pages.getBytes(StandardCharsets.UTF_8)));
            }
            return String.join(" ", all);
        } catch (ProblemException e) {
            return "refused: " + e.getMessage().replace('\n', ' ');
        }
    }

    private static void compare(String name, List<String> now) throws IOException {
        Path file = FOLDER.resolve(name);
        if (WRITE) {
            Files.createDirectories(FOLDER);
            Files.write(file, now);
        }
        assertThat(now).isEqualTo(Files.readAllLines(file));
    }

    /** What else was read is seen on no page: neither in what stands there nor in how wide it is. */
    @Test
    void rowsThatTheSourceLeavesOutChangeNoPage() throws IOException {
        DatasetReader held = new HeldRows(
                READER,
                HeldRows.defaultBudget(),
                new SpillFolder(Files.createTempDirectory("held"), 0),
                Clock.systemUTC(),
                ZoneOffset.UTC);
        for (String id : Starters.reportIds()) {
            Report report = Starters.report(id).orElseThrow();
            Map<String, String> answers = fortnight(report);
            RunResult pushed = run(report, answers, ReaderView.PLAIN);
            RunResult all = run(report, answers, ReaderView.PLAIN, held);
            for (Format format : Format.values()) {
                assertThat(digest(all, format)).as(id + " " + format).isEqualTo(digest(pushed, format));
            }
        }
    }

    @Test
    void theReportsThatComeWithTheProduct() throws IOException {
        List<String> now = new ArrayList<>();
        for (String id : Starters.reportIds()) {
            Report report = Starters.report(id).orElseThrow();
            for (String period : PERIODS) {
                Map<String, String> answers = report.prompts().stream()
                                .anyMatch(prompt -> prompt.name().equals("period"))
                        ? Map.of("period", period)
                        : Map.of();
                now.add(report.id() + " " + period.replace(' ', '-') + ": "
                        + digests(report, answers, ReaderView.PLAIN));
            }
        }
        compare("starters.txt", now);
    }

    @Test
    void generatedReportsAsTheirReadersLookAtThem() throws IOException {
        List<String> now = new ArrayList<>();
        int ran = 0;
        for (int seed = 0; seed < GENERATED; seed++) {
            RandomReport random = new RandomReport(seed);
            String digests;
            try {
                Report report = Definitions.readReport(random.text());
                digests = digests(report, Map.of(), random.view());
            } catch (ProblemException e) {
                digests = "refused: " + e.getMessage().replace('\n', ' ');
            }
            ran += digests.startsWith("refused") ? 0 : 1;
            now.add(seed + ": " + digests);
        }
        compare("generated.txt", now);
        assertThat(ran).as("most of them run").isGreaterThan(GENERATED * 4 / 5);
    }
}
