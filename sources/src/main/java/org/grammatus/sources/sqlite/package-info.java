/** A SQLite file and its dialect. */
package org.grammatus.sources.sqlite;
