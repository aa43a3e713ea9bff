/** PostgreSQL: its dialect, and how a connection to a server of it is kept from being read or taken over. */
package org.grammatus.sources.postgres;
