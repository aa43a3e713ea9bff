package org.grammatus.server;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import org.flywaydb.core.api.FlywayException;
import org.grammatus.server.problem.CannotStartException;
import org.grammatus.server.store.DataFolder;
import org.grammatus.server.store.StoreFailure;
import org.springframework.boot.web.server.PortInUseException;

/** Says in words why a server could not start; what only its makers understand is put into a file. */
final class StartFailure {

    private StartFailure() {}

    static CannotStartException inWords(RuntimeException failure, ServerSettings settings, DataFolder folder) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            switch (cause) {
                case CannotStartException e -> {
                    return e;
                }
                case PortInUseException e -> {
                    return new CannotStartException(
                            "Port " + settings.port() + " is in use; choose another with --port");
                }
                case FlywayException e -> {
                    return new CannotStartException(
                            "The records in " + folder.path().toAbsolutePath()
                                    + " could not be brought to this version: "
                                    + (StoreFailure.isFull(e)
                                            ? "the disk is full. Make room and start again; nothing was lost"
                                            : "they may be of a newer version of the program. Start that, or choose another"
                                                    + " --data-dir; details are in " + written(failure, folder)));
                }
                case SQLException e -> {
                    return new CannotStartException(
                            "The records in " + folder.path().toAbsolutePath()
                                    + (StoreFailure.isFull(e)
                                            ? " cannot be written: the disk is full. Make room and start again; nothing was lost"
                                            : " cannot be opened: " + e.getMessage() + "; details are in "
                                                    + written(failure, folder)));
                }
                default -> {}
            }
        }
        return new CannotStartException(
                "The server could not start: " + root(failure) + "; details are in " + written(failure, folder));
    }

    private static String root(Throwable failure) {
        Throwable root = failure;
        while (root.getCause() != null) {
            root = root.getCause();
        }
        return root.getMessage() == null ? root.getClass().getSimpleName() : root.getMessage();
    }

    private static Path written(RuntimeException failure, DataFolder folder) {
        Path file = folder.path().resolve("start-failure.log").toAbsolutePath();
        StringWriter trace = new StringWriter();
        failure.printStackTrace(new PrintWriter(trace));
        try {
            Files.writeString(file, trace.toString());
        } catch (IOException e) {
            System.getLogger(StartFailure.class.getName()).log(System.Logger.Level.ERROR, trace.toString(), e);
        }
        return file;
    }
}
