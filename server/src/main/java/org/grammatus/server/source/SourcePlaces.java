package org.grammatus.server.source;

import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.grammatus.core.problem.Problems;
import org.grammatus.server.SourcePolicy;

/** Checks what was said of a source, and that it is where sources may be. */
final class SourcePlaces {

    private static final Pattern HOST = Pattern.compile("[A-Za-z0-9]([A-Za-z0-9.:_-]{0,252}[A-Za-z0-9])?");
    private static final Pattern NAME = Pattern.compile("[^\\p{Cntrl}]{1,100}");
    private static final int HIGHEST_PORT = 65_535;

    private final SourcePolicy policy;

    SourcePlaces(SourcePolicy policy) {
        this.policy = policy;
    }

    /**
     * Checks settings.
     *
     * @throws org.grammatus.core.problem.ProblemException with all that is wrong, each at its property
     */
    void require(SourceSettings settings) {
        Problems problems = new Problems();
        required(settings.label(), "/label", "a name for the source", problems);
        if (settings.kind() == null) {
            problems.error("/kind", "expected SQLITE, DUCKDB or POSTGRESQL");
        } else if (settings.kind().isFile()) {
            settings.file().ifPresentOrElse(file -> file(file, problems), () -> file("", problems));
        } else {
            String host = settings.host().orElse("");
            int port = settings.port().orElse(0);
            required(settings.database().orElse(""), "/database", "the database's name", problems);
            required(settings.user().orElse(""), "/user", "the name of a user who may read it", problems);
            if (port < 1 || port > HIGHEST_PORT) {
                problems.error("/port", "found " + port + ", expected a port from 1 to " + HIGHEST_PORT);
            }
            if (!HOST.matcher(host).matches()) {
                problems.error("/host", "found \"" + host + "\", expected a host's name or address");
            } else if (policy.hosts().stream().noneMatch(allowed -> allows(allowed, host, port))) {
                problems.error(
                        "/host",
                        host + ":" + port + " is not among the hosts that this server may connect to"
                                + among(policy.hosts(), "--source-host"));
            }
        }
        problems.throwIfErrors();
    }

    private static boolean allows(String allowed, String host, int port) {
        return allowed.equalsIgnoreCase(host) || allowed.equalsIgnoreCase(host + ":" + port);
    }

    private static void required(String found, String pointer, String expected, Problems problems) {
        if (found == null || found.isBlank() || !NAME.matcher(found).matches()) {
            problems.error(pointer, "expected " + expected + ", of at most 100 characters");
        }
    }

    private void file(String name, Problems problems) {
        Optional<Path> file = real(name);
        if (file.isEmpty()) {
            problems.error("/file", "there is no file \"" + name + "\" on the server; check the path");
        } else if (policy.folders().stream().noneMatch(folder -> isIn(folder, file.get()))) {
            problems.error(
                    "/file",
                    "\"" + name + "\" is in none of the folders that this server may read"
                            + among(
                                    policy.folders().stream()
                                            .map(Path::toString)
                                            .toList(),
                                    "--source-folder"));
        }
    }

    /** Where a path leads once links are followed, so that none leads out of an allowed folder. */
    private static Optional<Path> real(String name) {
        try {
            return name.isBlank() ? Optional.empty() : Optional.of(Path.of(name).toRealPath());
        } catch (IOException | InvalidPathException e) {
            return Optional.empty();
        }
    }

    private static boolean isIn(Path folder, Path file) {
        return real(folder.toString()).filter(file::startsWith).isPresent();
    }

    private static String among(List<String> allowed, String option) {
        return (allowed.isEmpty() ? "; there are none" : ", which are " + String.join(", ", allowed))
                + ". Whoever starts the server allows more with " + option;
    }
}
