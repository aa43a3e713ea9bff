package org.grammatus.server.source;

/** What a source is. */
enum SourceKind {
    SQLITE,
    DUCKDB,
    POSTGRESQL;

    /** Whether it is a file on the server, rather than a server of its own. */
    boolean isFile() {
        return this != POSTGRESQL;
    }
}
