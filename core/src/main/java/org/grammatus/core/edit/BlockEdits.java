package org.grammatus.core.edit;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.ParagraphKind;
import org.grammatus.core.choice.Place;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.FiguresBlockBuilder;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportFigureBuilder;
import org.grammatus.core.definition.ReportParagraph;
import org.grammatus.core.definition.ReportRowsBuilder;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TableBlockBuilder;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.definition.TextBlockBuilder;
import org.grammatus.core.definition.edit.BlockEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.Parts;

/** Edits of blocks. */
final class BlockEdits {

    private static final String FIRST_WORDS = "…";
    private static final int FIRST_LINES = 4;

    private BlockEdits() {}

    static Report apply(Report report, BlockEdit edit, EditScope scope) {
        return switch (edit) {
            case BlockEdit.AddBlock add -> appended(report, made(report, add.kind(), scope));
            case BlockEdit.CopyBlock copy -> {
                ReportBlock found = EditScope.part(report.blocks(), ReportBlock::id, copy.block());
                yield appended(report, called(CopiedBlock.of(found, new PartIds(report)), copy.title()));
            }
            case BlockEdit.PasteBlock paste -> appended(report, CopiedBlock.of(paste.block(), new PartIds(report)));
            case BlockEdit.AddParagraph add ->
                scope.worked(report) instanceof TextBlock text
                        ? EditScope.replaced(
                                report,
                                text.withParagraphs(Parts.appended(
                                        text.paragraphs(), List.of(paragraph(add, new PartIds(report))))))
                        : EditScope.refused("a paragraph is a part of a text, and that block is none");
            case BlockEdit.RemoveBlock remove -> removed(report, remove.block());
        };
    }

    private static ReportParagraph paragraph(BlockEdit.AddParagraph add, PartIds ids) {
        boolean lines = add.kind() == ParagraphKind.LINES;
        return new ReportParagraph(
                ids.free("p-" + add.kind().name()),
                add.kind(),
                lines ? Optional.empty() : add.text().or(() -> Optional.of(FIRST_WORDS)),
                Optional.empty(),
                Optional.empty(),
                lines ? Optional.of(FIRST_LINES) : Optional.empty());
    }

    private static Report appended(Report report, ReportBlock block) {
        return report.withBlocks(Parts.appended(report.blocks(), List.of(block)));
    }

    private static ReportBlock called(ReportBlock block, Optional<String> title) {
        return title.isEmpty()
                ? block
                : switch (block) {
                    case TableBlock table -> table.withTitle(title);
                    case FiguresBlock figures -> figures.withTitle(title);
                    case TextBlock text -> text.withTitle(title);
                };
    }

    private static Report removed(Report report, String id) {
        EditScope.part(report.blocks(), ReportBlock::id, id);
        List<ReportBlock> left = Parts.without(report.blocks(), ReportBlock::id, id);
        return left.stream().allMatch(ReportBlock::isOff)
                ? EditScope.refused("the last block that is switched on stays")
                : BlockRows.without(report.withBlocks(left), id)
                        .withFilters(report.filters().stream()
                                .flatMap(filter -> FilterParts.withoutBlock(filter, id).stream())
                                .toList())
                        .withPage(report.page().withoutBlock(id));
    }

    private static ReportBlock made(Report report, BlockEdit.Addable kind, EditScope scope) {
        PartIds ids = new PartIds(report);
        ReportBlock worked = scope.worked(report);
        return switch (kind) {
            case TABLE ->
                table(ids.free("table"), Optional.empty(), counts(worked), true).build();
            case LIKEWISE -> likewise(tableOf(worked), ids);
            case FIGURES ->
                FiguresBlockBuilder.builder()
                        .id(ids.free("figures"))
                        .dataset(worked.dataset())
                        .figures(figuresOfTotals(tableOf(worked), ids))
                        .build();
            case TEXT ->
                TextBlockBuilder.builder()
                        .id(ids.free("text"))
                        .paragraphs(List.of(new ReportParagraph(
                                ids.free("words"),
                                ParagraphKind.WORDS,
                                Optional.of(FIRST_WORDS),
                                Optional.empty(),
                                Optional.empty(),
                                Optional.empty())))
                        .build();
        };
    }

    private static TableBlock tableOf(ReportBlock worked) {
        return worked instanceof TableBlock table
                ? table
                : EditScope.refused("choose a table first, whose measures or totals are to be taken");
    }

    private static List<String> counts(ReportBlock worked) {
        return worked instanceof TableBlock table ? table.counts() : List.of();
    }

    private static TableBlockBuilder table(String id, Optional<String> dataset, List<String> counts, boolean rows) {
        return TableBlockBuilder.builder()
                .id(id)
                .kind(ReportBlock.Kind.TABLE)
                .dataset(dataset)
                .levels(List.of())
                .columns(List.of())
                .totals(List.of())
                .counts(counts)
                .highlights(List.of())
                .rows(ReportRowsBuilder.builder().shown(rows).order(List.of()).build());
    }

    /** The measures of a table, in the whole of it: by what they are grouped is said next. */
    private static TableBlock likewise(TableBlock table, PartIds ids) {
        String id = ids.free("table");
        Set<String> seen = new HashSet<>();
        List<ReportTotal> totals = table.totals().stream()
                .filter(total -> total.compare().isEmpty() && seen.add(total.column()))
                .toList();
        Map<String, String> renamed = new HashMap<>();
        List<ReportColumn> columns = table.columns().stream()
                .filter(column -> !column.off().orElse(false)
                        && totals.stream().anyMatch(total -> total.column().equals(column.id())))
                .map(column -> {
                    renamed.put(column.id(), ids.copyOf(column.id()));
                    return column.withId(renamed.get(column.id()))
                            .withAlign(column.align().or(() -> Optional.of(Align.END)))
                            .withScale(Optional.empty())
                            .withOnce(Optional.empty())
                            .withValue(Optional.empty());
                })
                .toList();
        List<ReportTotal> placed = totals.stream()
                .filter(total -> renamed.containsKey(total.column()))
                .map(total -> total.withId(ids.copyOf(total.id()))
                        .withColumn(renamed.get(total.column()))
                        .withCells(List.of(new ReportCell(ReportCell.REPORT, Place.FOOTER))))
                .toList();
        return table(id, table.dataset(), table.counts(), false)
                .columns(columns)
                .totals(placed)
                .build();
    }

    /** The grand totals of a table as key figures, each once. */
    private static List<ReportFigure> figuresOfTotals(TableBlock table, PartIds ids) {
        Set<String> seen = new HashSet<>();
        return table.totals().stream()
                .filter(total -> total.shown().isEmpty() && total.compare().isEmpty() && seen.add(total.value()))
                .map(total -> {
                    Optional<ReportColumn> column = table.columns().stream()
                            .filter(one -> one.id().equals(total.column()))
                            .findFirst();
                    return ReportFigureBuilder.builder()
                            .id(ids.free("k-" + total.id().replaceFirst("^t-", "")))
                            .label(column.flatMap(ReportColumn::label))
                            .value(total.value())
                            .format(total.format().or(() -> column.flatMap(ReportColumn::format)))
                            .build();
                })
                .toList();
    }
}
