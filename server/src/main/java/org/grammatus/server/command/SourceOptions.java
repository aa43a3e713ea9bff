package org.grammatus.server.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.server.ServerSettings;
import org.grammatus.server.SourcePolicy;
import picocli.CommandLine.Option;

/** Options on further sources, the same for every way of serving. */
final class SourceOptions {

    @Option(
            names = "--source-folder",
            paramLabel = "FOLDER",
            description = "A folder whose database files administrators may add as sources. May be repeated.")
    private List<Path> folders = new ArrayList<>();

    @Option(
            names = "--source-host",
            paramLabel = "HOST[:PORT]",
            description = "A host whose database servers administrators may add as sources. May be repeated.")
    private List<String> hosts = new ArrayList<>();

    @Option(
            names = "--key-file",
            paramLabel = "FILE",
            description = "Holds the key that seals sources' passwords; secret.key in the data folder unless said.")
    private Optional<Path> keyFile = Optional.empty();

    SourcePolicy policy() {
        return new SourcePolicy(folders, hosts);
    }

    /** What administrators may add where everything is on one machine, besides what was said. */
    SourcePolicy policyOfDemo(Path dataDir) {
        List<Path> allFolders = new ArrayList<>(folders);
        allFolders.add(dataDir.resolve("demo"));
        List<String> allHosts = new ArrayList<>(hosts);
        allHosts.addAll(List.of("localhost", "127.0.0.1"));
        return new SourcePolicy(allFolders, allHosts);
    }

    Path keyFile(Path dataDir) {
        return keyFile.orElseGet(() -> ServerSettings.keyFile(dataDir));
    }
}
