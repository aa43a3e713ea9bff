package org.grammatus.server.style;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.grammatus.runs.OwnerOnly;
import org.grammatus.server.Grammatus;

/** Tries a font file in a process of its own: whatever a file makes a reader of fonts do, it takes no memory or time of the server's. */
final class FaceProcess {

    private static final String HEAP = "-Xmx128m";
    private static final Duration LONGEST = Duration.ofSeconds(40);

    private FaceProcess() {}

    /** Whether a file with every character of the face can be written within the memory and the time of a process of its own. */
    static boolean passes(byte[] font) throws IOException {
        Path file = Files.createTempFile("grammatus-face", ".font");
        try {
            OwnerOnly.file(file);
            Files.write(file, font);
            Process process = new ProcessBuilder(command(file))
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            try {
                return process.waitFor(LONGEST.toSeconds(), TimeUnit.SECONDS) && process.exitValue() == 0;
            } finally {
                process.destroyForcibly();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        } finally {
            Files.deleteIfExists(file);
        }
    }

    /** This very program, started as it was itself: from its archive, or from its classes. */
    private static List<String> command(Path file) {
        String path = System.getProperty("java.class.path");
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                HEAP,
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-Djava.awt.headless=true"));
        if (path.contains(File.pathSeparator)) {
            command.addAll(List.of("-cp", path, Grammatus.class.getName()));
        } else {
            command.addAll(List.of("-jar", path));
        }
        command.addAll(List.of("try-face", file.toString()));
        return command;
    }
}
