package org.grammatus.server.command;

import java.io.PrintWriter;
import java.util.stream.Collectors;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.sources.SourceException;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The program's commands. */
@Command(
        name = "grammatus",
        mixinStandardHelpOptions = true,
        version = "Grammatus 0.1.0",
        description = "Defines, runs and exports parameterised order reports.",
        subcommands = {
            DemoCommand.class,
            ServeCommand.class,
            RenderCommand.class,
            EditCommand.class,
            AccountCommand.class,
            TryFaceCommand.class
        })
public final class GrammatusCommand implements Runnable {

    /** Stands for a server that goes on after its command has returned. */
    public static final int SERVING = -1;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    /** Runs a command line and returns its exit status, or {@link #SERVING}. */
    public static int execute(String... args) {
        return commandLine().execute(args);
    }

    /** Runs a command line that writes elsewhere than to the console. */
    static int execute(PrintWriter out, PrintWriter errors, String... args) {
        return commandLine().setOut(out).setErr(errors).execute(args);
    }

    private static CommandLine commandLine() {
        return new CommandLine(new GrammatusCommand())
                .setExecutionExceptionHandler((failure, command, parsed) -> report(failure, command));
    }

    @Override
    public void run() {
        spec.commandLine().usage(spec.commandLine().getOut());
    }

    /** A failure in words; only what nobody foresaw shows its trace. */
    private static int report(Exception failure, CommandLine command) throws Exception {
        String message = switch (failure) {
            case ProblemException e ->
                e.problems().stream().map(Problem::toString).collect(Collectors.joining("\n"));
            case SourceException e -> e.getMessage();
            case CommandFailure e -> e.getMessage();
            default -> throw failure;
        };
        command.getErr().println(message);
        return command.getCommandSpec().exitCodeOnExecutionException();
    }
}
