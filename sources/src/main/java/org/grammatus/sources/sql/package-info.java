/** What sources that speak SQL have in common: one statement a table, conditions and figures in the dialect of each, watched while they run. */
package org.grammatus.sources.sql;
