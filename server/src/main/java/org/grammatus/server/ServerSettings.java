package org.grammatus.server;

import java.nio.file.Path;
import java.time.ZoneId;
import org.grammatus.core.prompt.RunContext;

/**
 * How a server is started.
 *
 * @param port 0 takes a free one
 * @param network where the server listens and what it is called
 * @param dataDir where records are kept
 * @param database the SQLite database that is reported on
 * @param demo whether demo accounts are made
 * @param keyFile holds the key that seals sources' passwords; made where it is missing
 * @param sources where further sources may be
 * @param zone of reports that name none
 * @param fiscalYearStart month, 1 to 12, in which the fiscal years of datasets start that do not say
 */
public record ServerSettings(
        int port,
        Network network,
        Path dataDir,
        Path database,
        boolean demo,
        Path keyFile,
        SourcePolicy sources,
        ZoneId zone,
        int fiscalYearStart) {

    /** A server over one database and no other source, whose fiscal years are calendar years. */
    public ServerSettings(int port, Path dataDir, Path database, boolean demo) {
        this(port, Network.LOCAL, dataDir, database, demo, keyFile(dataDir), SourcePolicy.NONE, RunContext.UTC, 1);
    }

    /** Where the key is kept unless said. */
    public static Path keyFile(Path dataDir) {
        return dataDir.resolve("secret.key");
    }
}
