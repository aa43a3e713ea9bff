/**
 * What the named edits of {@code definition.edit} do: pure functions from a report and the dictionary of its datasets to another report.
 * {@link org.grammatus.core.edit.Edits} makes any of them; a class for each kind of part has what they do to it.
 */
package org.grammatus.core.edit;
