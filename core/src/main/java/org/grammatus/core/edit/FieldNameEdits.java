package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportField;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.definition.edit.FieldNameEdit;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.edit.part.PrintedFields;

/** Edits of what a report calls fields: what columns and key figures of a field say themselves gives way. */
final class FieldNameEdits {

    private FieldNameEdits() {}

    static Report apply(Report report, FieldNameEdit edit) {
        return switch (edit) {
            case FieldNameEdit.NameField name -> named(report, name.field());
        };
    }

    private static Report named(Report report, ReportField field) {
        List<ReportField> before = report.fields().orElse(List.of());
        List<ReportField> fields =
                Parts.index(before, ReportField::id, field.id()).isPresent()
                        ? Parts.changed(before, ReportField::id, field.id(), one -> field)
                        : Parts.appended(before, List.of(field));
        return report.withFields(Optional.of(fields))
                .withBlocks(report.blocks().stream()
                        .map(block -> following(block, field.id()))
                        .toList());
    }

    private static ReportBlock following(ReportBlock block, String field) {
        return switch (block) {
            case TableBlock table ->
                table.withColumns(table.columns().stream()
                        .map(column -> isOf(PrintedFields.ofColumn(table, column), field)
                                ? column.withLabel(Optional.empty())
                                        .withFormat(Optional.empty())
                                        .withUnit(Optional.empty())
                                : column)
                        .toList());
            case FiguresBlock figures ->
                figures.withFigures(figures.figures().stream()
                        .map(figure -> isOf(PrintedFields.fieldIn(figure.value()), field)
                                ? figure.withLabel(Optional.empty())
                                        .withFormat(Optional.empty())
                                        .withUnit(Optional.empty())
                                : figure)
                        .toList());
            case TextBlock text -> text;
        };
    }

    private static boolean isOf(Optional<String> found, String field) {
        return found.equals(Optional.of(field));
    }
}
