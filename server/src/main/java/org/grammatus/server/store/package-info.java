/** Records in SQLite: one connection that writes, several that read; the data folder belongs to one server at a time. */
package org.grammatus.server.store;
