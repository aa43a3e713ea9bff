package org.grammatus.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.grammatus.core.typography.Family;
import org.grammatus.export.pdf.FaceTrial;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Tries a face from outside in a process of its own, whose memory and time a server bounds; for servers, not for people. */
@Command(name = "try-face", hidden = true, description = "Writes a file with every character of a face.")
final class TryFaceCommand implements Callable<Integer> {

    @Parameters(paramLabel = "FILE")
    private Path file;

    @Override
    public Integer call() throws IOException {
        return FaceTrial.passes(Family.of("trial", Files.readAllBytes(file), Optional.empty())) ? 0 : 1;
    }
}
