package org.grammatus.server.source;

import java.util.Optional;
import org.grammatus.sources.postgres.Encryption;

/**
 * Where a source is and who reads it, without a password.
 *
 * @param file of a database that is one
 * @param host of a database server, as the others are
 * @param encryption of the connection to a database server
 */
record SourceSettings(
        String id,
        String label,
        SourceKind kind,
        Optional<String> file,
        Optional<String> host,
        Optional<Integer> port,
        Optional<String> database,
        Optional<String> user,
        Encryption encryption) {

    /** Where it is, in short. */
    String place() {
        return switch (kind) {
            case SQLITE, DUCKDB -> file.orElse("");
            case POSTGRESQL ->
                user.orElse("") + " at " + host.orElse("") + ":" + port.orElse(0) + "/" + database.orElse("");
        };
    }
}
