package org.grammatus.core.definition.edit;

/**
 * A change of a report's definition, told apart by its {@code edit}, such as {@code {"edit": "add-column", "field": "net_amount"}}. Parts
 * are named by their ids. An edit of a table or of key figures is of the block that is worked on.
 */
public sealed interface ReportEdit
        permits BlockEdit,
                ColumnEdit,
                FieldNameEdit,
                FigureEdit,
                FilterEdit,
                HighlightEdit,
                LevelEdit,
                PromptEdit,
                TotalEdit {}
