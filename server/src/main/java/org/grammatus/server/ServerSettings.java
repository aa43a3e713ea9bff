package org.grammatus.server;

import java.nio.file.Path;

/**
 * How a server is started.
 *
 * @param port on 127.0.0.1; 0 takes a free one
 * @param dataDir where records are kept
 * @param database the SQLite database that is reported on
 * @param demo whether demo accounts are made
 */
public record ServerSettings(int port, Path dataDir, Path database, boolean demo) {}
