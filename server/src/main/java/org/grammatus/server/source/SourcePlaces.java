package org.grammatus.server.source;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.grammatus.core.problem.Problems;
import org.grammatus.server.ServerSettings;
import org.grammatus.server.SourcePolicy;

/** Checks what was said of a source, and that it is where sources may be. */
final class SourcePlaces {

    private static final Pattern HOST = Pattern.compile("[A-Za-z0-9]([A-Za-z0-9.:_-]{0,252}[A-Za-z0-9])?");
    private static final Pattern NAME = Pattern.compile("[^\\p{Cntrl}]{1,100}");
    private static final int HIGHEST_PORT = 65_535;

    private static final int LONGEST_CERTIFICATES = 100_000;

    private final SourcePolicy policy;
    private final Path dataDir;
    private final Path keyFile;

    SourcePlaces(ServerSettings settings) {
        this.policy = settings.sources();
        this.dataDir = settings.dataDir();
        this.keyFile = settings.keyFile();
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
        settings.encryption()
                .authorities()
                .filter(pem -> pem.length() > LONGEST_CERTIFICATES || !pem.startsWith("-----BEGIN CERTIFICATE-----"))
                .ifPresent(pem -> problems.error(
                        "/authorities", "expected certificates in PEM, which begin with -----BEGIN CERTIFICATE-----"));
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

    /** Whether there is a file outside the allowed folders is not told, nor anything of the server's own files. */
    private void file(String name, Problems problems) {
        Optional<Path> file = real(name).filter(f -> policy.folders().stream().anyMatch(folder -> isIn(folder, f)));
        if (file.isEmpty() || isSecret(file.get())) {
            problems.error(
                    "/file",
                    "\"" + name + "\" is no file in a folder that this server may read"
                            + among(
                                    policy.folders().stream()
                                            .map(Path::toString)
                                            .toList(),
                                    "--source-folder"));
        }
    }

    /** The server's records, keys and logs, under whatever name they are reached; only the demo's data are in the data folder too. */
    private boolean isSecret(Path file) {
        boolean own = isIn(dataDir, file) && !isIn(dataDir.resolve("demo"), file);
        if (own || isSame(file, keyFile)) {
            return true;
        }
        try (Stream<Path> secrets = Files.list(dataDir)) {
            return secrets.filter(Files::isRegularFile).anyMatch(secret -> isSame(file, secret));
        } catch (IOException e) {
            return true;
        }
    }

    private static boolean isSame(Path file, Path other) {
        try {
            return Files.exists(other) && Files.isSameFile(file, other);
        } catch (IOException e) {
            return true;
        }
    }

    /** Where a path leads once links are followed, so that none leads out of an allowed folder. */
    private static Optional<Path> real(String name) {
        try {
            return name.isBlank()
                    ? Optional.empty()
                    : Optional.of(Path.of(name).toRealPath()).filter(Files::isRegularFile);
        } catch (IOException | InvalidPathException e) {
            return Optional.empty();
        }
    }

    private static boolean isIn(Path folder, Path file) {
        try {
            return file.startsWith(folder.toRealPath());
        } catch (IOException | InvalidPathException e) {
            return false;
        }
    }

    private static String among(List<String> allowed, String option) {
        return (allowed.isEmpty() ? "; there are none" : ", which are " + String.join(", ", allowed))
                + ". Whoever starts the server allows more with " + option;
    }
}
