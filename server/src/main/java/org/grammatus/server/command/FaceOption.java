package org.grammatus.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.typography.Faces;
import org.grammatus.core.typography.Family;
import picocli.CommandLine.Option;

/** The faces that a style may name besides those that come along, from their files. */
final class FaceOption {

    @Option(
            names = "--face",
            paramLabel = "ID=FILE[,FILE]",
            description = "A TrueType or OpenType face that the style names: its regular file, and its semibold one."
                    + " May be repeated.")
    private Map<String, String> files = new LinkedHashMap<>();

    /** Those that come along, and these. */
    Faces faces() {
        Map<String, Family> given = new HashMap<>();
        files.forEach((id, paths) -> given.put(id, family(id, paths.split(",", 2))));
        return id -> Faces.SHIPPED.find(id).or(() -> Optional.ofNullable(given.get(id)));
    }

    private static Family family(String id, String... paths) {
        byte[] regular = bytes(paths[0]);
        Optional<byte[]> semibold = paths.length > 1 ? Optional.of(bytes(paths[1])) : Optional.empty();
        try {
            return Family.of(id, regular, semibold);
        } catch (IllegalArgumentException e) {
            throw new CommandFailure("The face \"" + id + "\" cannot be used: " + e.getMessage());
        }
    }

    private static byte[] bytes(String path) {
        try {
            return Files.readAllBytes(Path.of(path));
        } catch (IOException e) {
            throw new CommandFailure("The file \"" + path + "\" of a face cannot be read");
        }
    }
}
