package org.grammatus.core.definition.edit;

import org.grammatus.core.definition.ReportField;

/** An edit of what a report calls the fields of its dataset. */
public sealed interface FieldNameEdit extends ReportEdit {

    @NamedEdit(
            value = "name-field",
            does = "Gives a field a label and format in the whole report; columns and key figures of it follow.")
    record NameField(ReportField field) implements FieldNameEdit {}
}
