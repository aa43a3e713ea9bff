package org.grammatus.core.definition.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.edit.ReportEdit;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.core.util.Separators;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads and writes definitions. What is read is checked whole: a wrong document is refused with all its problems, each with
 * its JSON pointer (RFC 6901). Reading and writing back changes nothing in a document's content. Thread-safe.
 */
public final class Definitions {

    /** The longest document that is read, in characters. */
    public static final int MOST_CHARACTERS = 4_000_000;

    /** Beyond the 38 digits that numbers have. */
    private static final double LARGEST = 1e38;

    /** The most properties and items that a document has. */
    public static final int MOST_PARTS = 60_000;

    private static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .enable(StreamReadFeature.INCLUDE_SOURCE_IN_LOCATION)
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(100)
                            .maxStringLength(100_000)
                            .maxDocumentLength(MOST_CHARACTERS)
                            .build())
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            // Choices that later steps read know nothing of JSON: they are written as they are declared, without what
            // they leave out.
            .disable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
            .changeDefaultPropertyInclusion(usual -> usual.withValueInclusion(JsonInclude.Include.NON_ABSENT))
            .addModule(WordEnums.module())
            .build();

    private static final SchemaCheck REPORT_SCHEMA = new SchemaCheck(schema("report"));
    private static final SchemaCheck DATASET_SCHEMA = new SchemaCheck(schema("dataset"));
    private static final SchemaCheck STYLE_SCHEMA = new SchemaCheck(schema("style"));

    private Definitions() {}

    /**
     * Reads a report.
     *
     * @throws ProblemException with every fault of the document
     */
    public static Report readReport(String json) {
        return checkReport(json).require();
    }

    /**
     * Reads a report as far as it goes, with everything that is wrong with it.
     *
     * @throws ProblemException if it is no JSON document, or one of a newer version
     */
    public static Checked<Report> checkReport(String json) {
        Checked<Report> read = read(json, Report.FORMAT, Report.VERSION, Definitions::checkedReport, Report.class);
        return read.document().map(report -> read.with(References.of(report))).orElse(read);
    }

    /**
     * Reads a dataset.
     *
     * @throws ProblemException with every fault of the document
     */
    public static Dataset readDataset(String json) {
        Checked<Dataset> read = read(json, Dataset.FORMAT, Dataset.VERSION, DATASET_SCHEMA::check, Dataset.class);
        return read.document()
                .map(dataset -> read.with(References.of(dataset)))
                .orElse(read)
                .require();
    }

    /**
     * Reads a house style.
     *
     * @throws ProblemException with every fault of the document
     */
    public static HouseStyle readStyle(String json) {
        return read(json, HouseStyle.FORMAT, HouseStyle.VERSION, STYLE_SCHEMA::check, HouseStyle.class)
                .require();
    }

    /**
     * Reads a report that is being edited, so that an edit can be made to it: its values may be wrong, and what they refer to not there.
     *
     * @throws ProblemException if something is of another type, or missing that parts must have
     */
    public static Report readDraft(String json) {
        JsonNode document = parse(json);
        requireVersion(document, Report.FORMAT, Report.VERSION);
        return as(document, Report.class);
    }

    /**
     * Reads a named edit.
     *
     * @throws ProblemException if there is no such edit, or one of its properties is wrong, missing or unknown
     */
    public static ReportEdit readEdit(String json) {
        JsonNode document = parse(json);
        return as(document, EditCheck.kindOf(document).type());
    }

    private static <T> T as(JsonNode document, Class<T> type) {
        try {
            return WholeRecords.require(MAPPER.treeToValue(document, type));
        } catch (JacksonException e) {
            throw new ProblemException(Problem.error(pointer(e), e.getOriginalMessage()));
        }
    }

    private static String pointer(JacksonException e) {
        return e.getPath().stream()
                .map(step -> "/"
                        + (step.getPropertyName() == null ? String.valueOf(step.getIndex()) : step.getPropertyName()))
                .collect(Collectors.joining());
    }

    public static String write(HouseStyle style) {
        return pretty(style);
    }

    public static String write(Report report) {
        return pretty(report);
    }

    /** A report as it stands in documents. */
    public static JsonNode tree(Report report) {
        return MAPPER.valueToTree(report);
    }

    /** A filter as it stands in documents. */
    public static JsonNode tree(ReportFilter filter) {
        return MAPPER.valueToTree(filter);
    }

    public static String write(Dataset dataset) {
        return pretty(dataset);
    }

    /** The published JSON Schema (draft 2020-12) of {@code report}, {@code dataset} or {@code style}, as text. */
    public static String schema(String name) {
        try (InputStream in = Report.class.getResourceAsStream(name + ".schema.json")) {
            if (in == null) {
                throw new IllegalArgumentException("No schema is called " + name);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Checked<JsonNode> checkedReport(JsonNode document) {
        return KindRules.check(REPORT_SCHEMA.check(document.deepCopy()));
    }

    private static <T> Checked<T> read(
            String json, String format, int version, Function<JsonNode, Checked<JsonNode>> check, Class<T> type) {
        JsonNode document = parse(json);
        requireVersion(document, format, version);
        Checked<JsonNode> checked = check.apply(document);
        try {
            return new Checked<>(
                    checked.document().map(mended -> MAPPER.treeToValue(mended, type)),
                    checked.faults(),
                    checked.wrong());
        } catch (JacksonException e) {
            // The schema has let it through: most of all a number that is larger than any can be.
            return new Checked<T>(Optional.empty(), checked.faults(), checked.wrong())
                    .with(List.of(Problem.error(pointer(e), e.getOriginalMessage())));
        }
    }

    private static JsonNode parse(String json) {
        if (json.length() > MOST_CHARACTERS) {
            throw new ProblemException(Problem.error(
                    "", String.format(Locale.ROOT, "the document is longer than %,d characters", MOST_CHARACTERS)));
        }
        try {
            JsonNode document = MAPPER.readTree(json);
            requireFewParts(document);
            requireNumbers(document, "");
            return document;
        } catch (JacksonException e) {
            var at = e.getLocation();
            String message = "not a JSON document: " + e.getOriginalMessage();
            throw new ProblemException(
                    at == null || at.getLineNr() < 1
                            ? Problem.error("", message)
                            : Problem.error(
                                    "", new Problem.Position(at.getLineNr(), Math.max(1, at.getColumnNr())), message));
        }
    }

    /** What has too many parts is refused before any of them is looked at: each is checked, typed and planned. */
    private static void requireFewParts(JsonNode document) {
        int parts = 0;
        Deque<JsonNode> left = new ArrayDeque<>(List.of(document));
        while (!left.isEmpty() && parts <= MOST_PARTS) {
            JsonNode node = left.pop();
            parts += Math.max(1, node.size());
            node.forEach(inside -> {
                if (inside.isContainer()) {
                    left.push(inside);
                }
            });
        }
        if (parts > MOST_PARTS) {
            throw new ProblemException(Problem.error(
                    "",
                    String.format(
                            Locale.ROOT,
                            "the document has more than %,d values and parts; list fewer values, or take them from a field",
                            MOST_PARTS)));
        }
    }

    /** A number that is larger than any can be is told before anything is compared with it. */
    private static void requireNumbers(JsonNode node, String pointer) {
        if (node.isDouble() && !(Math.abs(node.doubleValue()) < LARGEST)) {
            throw new ProblemException(Problem.error(pointer, "the number is larger than any can be"));
        }
        node.properties().forEach(each -> requireNumbers(each.getValue(), pointer + "/" + each.getKey()));
        if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                requireNumbers(node.get(i), pointer + "/" + i);
            }
        }
    }

    /** A newer version is told apart before anything else, since its other properties cannot be judged. */
    private static void requireVersion(JsonNode document, String format, int version) {
        JsonNode found = document.path("version");
        boolean ours = format.equals(document.path("format").asString(""));
        if (ours && found.isIntegralNumber() && found.bigIntegerValue().compareTo(BigInteger.valueOf(version)) > 0) {
            throw new ProblemException(Problem.error(
                    "/version",
                    "found version " + found.bigIntegerValue() + "; this program reads up to version " + version
                            + ". Update the program, or save the definition from a program of this version"));
        }
    }

    private static String pretty(Object definition) {
        DefaultPrettyPrinter printer = new DefaultPrettyPrinter(
                        Separators.createDefaultInstance().withObjectNameValueSpacing(Separators.Spacing.AFTER))
                .withArrayIndenter(new DefaultIndenter("  ", "\n"))
                .withObjectIndenter(new DefaultIndenter("  ", "\n"));
        return MAPPER.writer().with(printer).writeValueAsString(definition) + "\n";
    }
}
