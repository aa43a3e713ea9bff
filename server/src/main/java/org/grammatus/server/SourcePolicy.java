package org.grammatus.server;

import java.nio.file.Path;
import java.util.List;

/**
 * Where sources may be, as the person says who starts the server; administrators add sources only there.
 *
 * @param folders in which database files may be, at any depth
 * @param hosts of database servers: {@code db.example} for any port, {@code db.example:5432} for one
 */
public record SourcePolicy(List<Path> folders, List<String> hosts) {

    /** No source but the one that the server is started with. */
    public static final SourcePolicy NONE = new SourcePolicy(List.of(), List.of());

    public SourcePolicy {
        folders = List.copyOf(folders);
        hosts = List.copyOf(hosts);
    }
}
