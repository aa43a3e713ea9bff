package org.grammatus.server.source;

/** What a source is. */
enum SourceKind {
    SQLITE,
    POSTGRESQL
}
