package org.grammatus.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.grammatus.server.Server;
import org.grammatus.server.ServerSettings;
import org.grammatus.server.problem.CannotStartException;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Serves reports over a database of one's own. */
@Command(
        name = "serve",
        mixinStandardHelpOptions = true,
        description = "Starts the server over a SQLite database of the demo's shape.")
final class ServeCommand implements Callable<Integer> {

    private static final int MONTHS = 12;

    @Option(names = "--port", defaultValue = "8080", description = "Port; ${DEFAULT-VALUE} unless said.")
    private int port;

    @Option(names = "--data-dir", paramLabel = "FOLDER", defaultValue = "data", description = DemoCommand.DATA_DIR)
    private Path dataDir;

    @Option(names = "--database", required = true, paramLabel = "FILE", description = "The database to report on.")
    private Path database;

    @Option(
            names = "--fiscal-year-start",
            defaultValue = "1",
            paramLabel = "MONTH",
            description = "Month, 1 to 12, in which the fiscal years of datasets start that do not say.")
    private int fiscalYearStart;

    @CommandLine.Mixin
    private SourceOptions sources = new SourceOptions();

    @CommandLine.Mixin
    private NetworkOptions network = new NetworkOptions();

    @CommandLine.Mixin
    private ZoneOption zone = new ZoneOption();

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() {
        if (isInside(database, dataDir)) {
            throw new CommandFailure(
                    "--database: " + database + " is in the data folder, which no report reads; keep it elsewhere");
        }
        ServerSettings settings = new ServerSettings(
                port,
                network.network(),
                dataDir,
                database,
                false,
                sources.keyFile(dataDir),
                sources.policy(),
                zone.zone(),
                month());
        return serve(settings, spec.commandLine());
    }

    private static boolean isInside(Path file, Path folder) {
        try {
            return Files.exists(file)
                    && Files.exists(folder)
                    && file.toRealPath().startsWith(folder.toRealPath());
        } catch (IOException e) {
            return false;
        }
    }

    private static String ready(Server server) {
        return "Grammatus is ready: " + server.address()
                + server.setUpAddress()
                        .map(address ->
                                "\n\nThere is no account yet. Make the first one, an administrator's, here; the address is"
                                        + " good once:\n  " + address)
                        .orElse("");
    }

    private int month() {
        if (fiscalYearStart < 1 || fiscalYearStart > MONTHS) {
            throw new CommandFailure(
                    "--fiscal-year-start: found " + fiscalYearStart + ", expected a month from 1 to " + MONTHS);
        }
        return fiscalYearStart;
    }

    static int serve(ServerSettings settings, CommandLine command) {
        Server server;
        try {
            server = Server.start(settings);
        } catch (CannotStartException e) {
            throw new CommandFailure(e.getMessage());
        }
        command.getOut().println(settings.demo() ? DemoCommand.welcome(server) : ready(server));
        command.getOut().flush();
        return GrammatusCommand.SERVING;
    }
}
