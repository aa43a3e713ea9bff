/** Reads, checks and writes documents of reports and datasets. */
package org.grammatus.core.definition.document;
