/** A PostgreSQL server: its dialect, and how a connection to it is kept from being read or taken over. */
package org.grammatus.sources.postgres;
