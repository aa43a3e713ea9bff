/** The named edits of a report as documents: what is to be changed, by the ids of parts. What each does is in {@code core.edit}. */
package org.grammatus.core.definition.edit;
