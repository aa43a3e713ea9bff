package org.grammatus.core.edit;

import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.edit.BlockEdit;
import org.grammatus.core.definition.edit.ColumnEdit;
import org.grammatus.core.definition.edit.FieldNameEdit;
import org.grammatus.core.definition.edit.FigureEdit;
import org.grammatus.core.definition.edit.FilterEdit;
import org.grammatus.core.definition.edit.HighlightEdit;
import org.grammatus.core.definition.edit.LevelEdit;
import org.grammatus.core.definition.edit.PromptEdit;
import org.grammatus.core.definition.edit.ReportEdit;
import org.grammatus.core.definition.edit.TotalEdit;
import org.grammatus.core.edit.part.EditScope;

/** Makes named edits. */
public final class Edits {

    private Edits() {}

    /**
     * A report with an edit made. What the edit does not name stays as it is, whether it can be planned or not.
     *
     * @throws org.grammatus.core.problem.ProblemException if the edit names something that is not there, or cannot be made to it
     */
    public static Report apply(Report report, ReportEdit edit, EditScope scope) {
        return switch (edit) {
            case ColumnEdit of -> ColumnEdits.apply(report, of, scope);
            case LevelEdit of -> scope.table(report, table -> LevelEdits.apply(table, of, report, scope));
            case TotalEdit of -> scope.table(report, table -> TotalEdits.apply(table, of, report, scope));
            case FigureEdit of -> FigureEdits.apply(report, of, scope);
            case BlockEdit of -> BlockEdits.apply(report, of, scope);
            case FilterEdit of -> FilterEdits.apply(report, of, scope);
            case PromptEdit of -> PromptEdits.apply(report, of, scope);
            case HighlightEdit of -> HighlightEdits.apply(report, of, scope);
            case FieldNameEdit of -> FieldNameEdits.apply(report, of);
        };
    }
}
