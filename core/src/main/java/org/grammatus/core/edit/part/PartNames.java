package org.grammatus.core.edit.part;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.TableBlock;

/** What columns and key figures are called: by themselves, or else as their block, report or dataset calls the field that they are about. */
public final class PartNames {

    private final DatasetModel dataset;

    /** The names in a block over a dataset. */
    public PartNames(Report report, ReportBlock block, DatasetModel dataset) {
        this.dataset = dataset.printedAs(report.fields().orElse(List.of()))
                .printedAs(block.fields().orElse(List.of()));
    }

    /** What a column is called. */
    public String of(TableBlock table, ReportColumn column) {
        return column.label()
                .filter(label -> !label.isEmpty())
                .or(() -> PrintedFields.ofColumn(table, column).flatMap(this::label))
                .or(column::value)
                .orElse(column.id());
    }

    /** What a key figure is called. */
    public String of(ReportFigure figure) {
        return figure.label()
                .or(() -> PrintedFields.fieldIn(figure.value()).flatMap(this::label))
                .orElse(figure.value());
    }

    private Optional<String> label(String field) {
        return dataset.field(field) == null && dataset.named(field) == null
                ? Optional.empty()
                : Optional.of(Proposals.Subject.of(field, dataset).label());
    }
}
