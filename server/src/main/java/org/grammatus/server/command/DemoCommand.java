package org.grammatus.server.command;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.grammatus.demo.ScenarioDatabase;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.server.Network;
import org.grammatus.server.Server;
import org.grammatus.server.ServerSettings;
import org.grammatus.server.problem.CannotStartException;
import org.grammatus.server.store.DataFolder;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Makes the demo data where it is missing and serves it with demo accounts. */
@Command(
        name = "demo",
        mixinStandardHelpOptions = true,
        description = "Starts with demo data and demo accounts; makes the data where it is missing.")
final class DemoCommand implements Callable<Integer> {

    /** Merrowdale's books are closed at the end of September. */
    private static final int FISCAL_YEAR_START = 10;

    static final String DATA_DIR = "Where data is kept; ${DEFAULT-VALUE} unless said.";

    @Option(names = "--port", defaultValue = "8080", description = "Port on 127.0.0.1; ${DEFAULT-VALUE} unless said.")
    private int port;

    @Option(names = "--data-dir", paramLabel = "FOLDER", defaultValue = "data", description = DATA_DIR)
    private Path dataDir;

    @CommandLine.Mixin
    private SourceOptions sources = new SourceOptions();

    @CommandLine.Mixin
    private ZoneOption zone = new ZoneOption();

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    static Path database(Path dataDir) {
        return dataDir.resolve("demo").resolve("merrowdale.db");
    }

    @Override
    public Integer call() {
        try {
            // A folder of real data stays as it is.
            DataFolder.requireFitting(dataDir, true);
        } catch (CannotStartException e) {
            throw new CommandFailure(e.getMessage());
        }
        Path database = database(dataDir);
        if (!Files.exists(database)) {
            spec.commandLine().getOut().println("Making the demo data in " + database);
            ScenarioDatabase.create(database, ScenarioSize.DEMO);
        }
        ServerSettings settings = new ServerSettings(
                port,
                Network.LOCAL,
                dataDir,
                database,
                true,
                sources.keyFile(dataDir),
                sources.policyOfDemo(dataDir),
                zone.zone(),
                FISCAL_YEAR_START);
        return ServeCommand.serve(settings, spec.commandLine());
    }

    /** What a new user needs to know, once the server is there. */
    static String welcome(Server server) {
        return """

                Grammatus is ready:  %s
                  author:  author / author-demo   (defines reports)
                  reader:  reader / reader-demo   (runs them)
                  admin:   admin / admin-demo     (adds sources, too)
                Data is kept in %s. Stop with Ctrl-C.""".formatted(server.address(), server.settings().dataDir().toAbsolutePath());
    }
}
