/** A DuckDB file and its dialect; its driver may be left out of the product. */
package org.grammatus.sources.duckdb;
