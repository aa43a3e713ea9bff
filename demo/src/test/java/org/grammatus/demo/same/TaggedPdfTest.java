package org.grammatus.demo.same;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkedContentReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.TextPosition;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.demo.Starters;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.export.pdf.PdfReportWriter;
import org.grammatus.runs.RunResult;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;

/** What a PDF says to those who have it read to them, as two readers that are not ours find it. */
class TaggedPdfTest {

    private static final Set<BandRole> OF_PAPER =
            Set.of(BandRole.PAGE_HEADER, BandRole.PAGE_FOOTER, BandRole.WATERMARK);

    @BeforeAll
    static void findTheValidator() {
        VeraGreenfieldFoundryProvider.initialise();
    }

    static List<String> starters() {
        return Starters.reportIds();
    }

    private static byte[] pdf(RunResult result, PdfReportWriter writer) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        writer.write(result, out, WriteProgress.SILENT);
        return out.toByteArray();
    }

    /** The rules of PDF/UA-1 (ISO 14289-1) that a file breaks. */
    private static Set<String> broken(byte[] pdf) throws Exception {
        try (PDFAParser parser =
                Foundries.defaultInstance().createParser(new ByteArrayInputStream(pdf), PDFAFlavour.PDFUA_1)) {
            return Foundries.defaultInstance()
                    .createValidator(PDFAFlavour.PDFUA_1, false)
                    .validate(parser)
                    .getTestAssertions()
                    .stream()
                    .filter(assertion -> assertion.getStatus() == TestAssertion.Status.FAILED)
                    .map(assertion -> assertion.getRuleId().getClause() + ": " + assertion.getMessage())
                    .collect(Collectors.toSet());
        }
    }

    @ParameterizedTest
    @MethodSource("starters")
    void theReportsThatComeWithTheProductKeepTheRulesOfPdfUa(String id) throws Exception {
        byte[] pdf = pdf(SameResultsTest.starter(id), new PdfReportWriter());
        assertThat(broken(pdf)).isEmpty();
        assertThat(pdf(SameResultsTest.starter(id), new PdfReportWriter())).isEqualTo(pdf);
    }

    @Test
    void soDoGeneratedReportsInAnyStyleAndLayout() throws Exception {
        for (RunResult result : GeneratedResults.of(700, 12)) {
            assertThat(broken(pdf(result, new PdfReportWriter())))
                    .as(result.first().grouped().plan().inputs().report().title())
                    .isEmpty();
        }
    }

    @Test
    void aFileWithoutTagsIsFoundOutAndSaysWhy() throws Exception {
        byte[] pdf = pdf(SameResultsTest.starter("open-orders"), new PdfReportWriter(1));
        assertThat(broken(pdf)).isNotEmpty();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getDocumentInformation().getSubject())
                    .isEqualTo("Without tags for reading aloud: files of more than 1 pages have none.");
        }
    }

    /** An element of a file with the text inside it. */
    private record Said(String type, String text) {}

    /** Every text is said once, in the order of the page, but for what is the paper's. */
    @ParameterizedTest
    @MethodSource("starters")
    void whatIsReadIsWhatThePagesSay(String id) throws IOException {
        RunResult result = SameResultsTest.starter(id);
        try (PDDocument document = Loader.loadPDF(pdf(result, new PdfReportWriter()))) {
            PDStructureElement root = (PDStructureElement) document.getDocumentCatalog()
                    .getStructureTreeRoot()
                    .getKids()
                    .getFirst();
            assertThat(root.getStructureType()).isEqualTo("Document");
            assertThat(root.getKids()).hasSize(result.pageCount());
            for (int number = 1; number <= result.pageCount(); number++) {
                List<Said> said = new ArrayList<>();
                read((PDStructureNode) root.getKids().get(number - 1), texts(document.getPage(number - 1)), said);
                assertThat(letters(said.stream().map(Said::text).collect(Collectors.joining())))
                        .as("page %d", number)
                        .isEqualTo(letters(bodyOf(result.pages().page(number))));
            }
        }
    }

    /** Letters in any order: figures of a row are read by their columns, whatever is drawn first. */
    private static String letters(String text) {
        return text.chars()
                .filter(c -> c > ' ' && !Character.isSpaceChar(c))
                .sorted()
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }

    private static String bodyOf(Page page) {
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < page.bands().size(); i++) {
            Page.BandBox band = page.bands().get(i);
            int end = i + 1 < page.bands().size()
                    ? page.bands().get(i + 1).firstCell()
                    : page.cells().size();
            if (!OF_PAPER.contains(band.role())) {
                page.cells()
                        .subList(band.firstCell(), end)
                        .forEach(cell -> body.append(page.texts().get(cell.text())));
            }
        }
        return body.toString();
    }

    private static void read(PDStructureNode node, Map<Integer, String> texts, List<Said> said) {
        StringBuilder own = new StringBuilder();
        List<Said> inside = new ArrayList<>();
        for (Object kid : node.getKids()) {
            switch (kid) {
                case Integer mark -> own.append(texts.get(mark));
                case PDMarkedContentReference mark -> own.append(texts.get(mark.getMCID()));
                case PDStructureNode element -> read(element, texts, inside);
                default -> throw new IllegalStateException(kid.toString());
            }
        }
        if (!own.isEmpty()) {
            said.add(new Said(((PDStructureElement) node).getStructureType(), own.toString()));
        }
        said.addAll(inside);
    }

    /** What is drawn of a page by the marks that elements refer to. */
    private static Map<Integer, String> texts(PDPage page) throws IOException {
        PDFMarkedContentExtractor reader = new PDFMarkedContentExtractor();
        reader.setSuppressDuplicateOverlappingText(false);
        reader.processPage(page);
        Map<Integer, String> texts = new HashMap<>();
        for (PDMarkedContent content : reader.getMarkedContents()) {
            if (content.getMCID() >= 0) {
                texts.put(
                        content.getMCID(),
                        content.getContents().stream()
                                .map(TextPosition.class::cast)
                                .map(TextPosition::getUnicode)
                                .collect(Collectors.joining()));
            }
        }
        return texts;
    }

    @Test
    void titlesGroupsAndColumnsAreToldApart() throws IOException {
        try (PDDocument document =
                Loader.loadPDF(pdf(SameResultsTest.starter("sales-by-fiscal-year"), new PdfReportWriter()))) {
            List<Said> said = new ArrayList<>();
            PDStructureNode root = document.getDocumentCatalog().getStructureTreeRoot();
            PDStructureNode first = (PDStructureNode)
                    ((PDStructureNode) root.getKids().getFirst()).getKids().getFirst();
            read(first, texts(document.getPage(0)), said);
            assertThat(said.getFirst()).isEqualTo(new Said("H1", "Sales by fiscal year, region and apiary"));
            assertThat(said).contains(new Said("TH", "Net sales"));
            assertThat(said.stream().map(Said::type)).contains("P", "H2", "H3", "TD");
            COSDictionary heading = attributesOf(first, "TH");
            assertThat(heading.getNameAsString("Scope")).isEqualTo("Column");
        }
    }

    /** The attributes of the first element of a type. */
    private static COSDictionary attributesOf(PDStructureNode node, String type) {
        for (Object kid : node.getKids()) {
            if (kid instanceof PDStructureElement element) {
                COSDictionary found = element.getStructureType().equals(type)
                        ? element.getCOSObject().getCOSDictionary(COSName.A)
                        : attributesOf(element, type);
                if (found != null) {
                    return found;
                }
            }
        }
        return null;
    }
}
