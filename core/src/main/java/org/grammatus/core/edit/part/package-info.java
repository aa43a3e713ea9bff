/** What edits work with: the block that is worked on, lists of parts by their ids, free ids, and the usual forms of levels and totals. */
package org.grammatus.core.edit.part;
