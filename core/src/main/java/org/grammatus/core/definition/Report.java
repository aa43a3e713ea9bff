package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.grammatus.core.definition.style.StyleParts;

/**
 * A report's definition, as {@code report.schema.json} describes it. Every part has an id that is unique in the document and
 * kept through edits; parts refer to each other by id, never by position.
 *
 * @param arrangement which blocks stand side by side; those that it does not name stand below it, one below the other
 * @param locale BCP 47 language tag, which decides the order of texts and the look of figures and dates
 * @param zone IANA time zone in which moments with a zone are read and which decides the business date; the installation's unless given
 * @param style id of its house style; the usual one unless given
 * @param look what it says otherwise than its house style
 * @param asksFirst whether it waits for answers where it is opened; else it runs at once with what it would be answered
 * @param beside ids of fields whose values stand beside the report for readers to tick; of others that it prints they may be sought
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "format",
    "version",
    "id",
    "title",
    "description",
    "dataset",
    "locale",
    "zone",
    "asksFirst",
    "beside",
    "fields",
    "prompts",
    "filters",
    "blocks",
    "arrangement",
    "style",
    "look",
    "page"
})
@RecordBuilder
public record Report(
        String format,
        int version,
        String id,
        String title,
        Optional<String> description,
        String dataset,
        String locale,
        Optional<String> zone,
        Optional<Boolean> asksFirst,
        Optional<List<String>> beside,
        Optional<List<ReportField>> fields,
        List<ReportPrompt> prompts,
        List<ReportFilter> filters,
        List<ReportBlock> blocks,
        Optional<List<BlockRow>> arrangement,
        Optional<String> style,
        Optional<StyleParts> look,
        PageSetup page)
        implements ReportBuilder.With {

    public static final String FORMAT = "grammatus-report";
    public static final int VERSION = 1;

    /** The same report under another title and description. */
    public Report called(String otherTitle, Optional<String> otherDescription) {
        return new Report(
                format,
                version,
                id,
                otherTitle,
                otherDescription,
                dataset,
                locale,
                zone,
                asksFirst,
                beside,
                fields,
                prompts,
                filters,
                blocks,
                arrangement,
                style,
                look,
                page);
    }

    /** The same report in another house style, without what it says otherwise than its own. */
    public Report inStyle(String otherStyle) {
        return looking(Optional.of(otherStyle), Optional.empty());
    }

    /** The same report with another look of its own over its house style. */
    public Report looking(Optional<StyleParts> otherLook) {
        return looking(style, otherLook);
    }

    private Report looking(Optional<String> otherStyle, Optional<StyleParts> otherLook) {
        return new Report(
                format,
                version,
                id,
                title,
                description,
                dataset,
                locale,
                zone,
                asksFirst,
                beside,
                fields,
                prompts,
                filters,
                blocks,
                arrangement,
                otherStyle,
                otherLook,
                page);
    }

    /** The same report without the parts that do not appear: they are switched off. */
    public Report appearing(Appearance appearance) {
        List<ReportBlock> shown = IntStream.range(0, blocks.size())
                .mapToObj(i -> blocks.get(i).appearing("/blocks/" + i, appearance))
                .toList();
        return with(id, beside, fields, prompts, filters, shown, arrangement, page);
    }

    /** The same report as it is for others: without what marks a draft. */
    public Report offered() {
        return with(id, beside, fields, prompts, filters, blocks, arrangement, page.offered());
    }

    /** The same report with all its texts changed. */
    public Report mapped(DefinitionMapping all) {
        DefinitionMapping to = all.over(dataset);
        return with(
                id,
                beside.map(ids -> ids.stream().map(to::field).toList()),
                fields.map(own -> own.stream().map(field -> field.mapped(to)).toList()),
                prompts.stream().map(prompt -> prompt.mapped(to)).toList(),
                filters.stream().map(filter -> filter.mapped(to)).toList(),
                blocks.stream()
                        .map(block -> block.mapped(all.over(block.dataset().orElse(dataset))))
                        .toList(),
                arrangement.map(
                        rows -> rows.stream().map(row -> row.mapped(all)).toList()),
                page.mapped(all.over(datasetOfPages())));
    }

    /** Id of the dataset that the texts of pages are about. */
    private String datasetOfPages() {
        return blocks.stream()
                .filter(block -> page.block().equals(Optional.of(block.id())))
                .findFirst()
                .or(() -> blocks.stream().filter(TableBlock.class::isInstance).findFirst())
                .flatMap(ReportBlock::dataset)
                .orElse(dataset);
    }

    private Report with(
            String otherId,
            Optional<List<String>> otherBeside,
            Optional<List<ReportField>> otherFields,
            List<ReportPrompt> otherPrompts,
            List<ReportFilter> otherFilters,
            List<ReportBlock> otherBlocks,
            Optional<List<BlockRow>> otherArrangement,
            PageSetup otherPage) {
        return new Report(
                format,
                version,
                otherId,
                title,
                description,
                dataset,
                locale,
                zone,
                asksFirst,
                otherBeside,
                otherFields,
                otherPrompts,
                otherFilters,
                otherBlocks,
                otherArrangement,
                style,
                look,
                otherPage);
    }

    /** Ids of the datasets that its blocks are over, its own first. */
    public List<String> datasets() {
        return Stream.concat(Stream.of(dataset), blocks.stream().flatMap(block -> block.dataset().stream()))
                .distinct()
                .toList();
    }
}
