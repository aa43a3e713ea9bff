package org.grammatus.sources;

import java.io.IOException;
import java.net.MalformedURLException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Driver;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.stream.Stream;

/**
 * JDBC drivers: those that came with the product, and those that were put into a folder because they are too large to come with it.
 * Thread-safe.
 */
public final class Drivers {

    private final Optional<Path> folder;
    private List<Driver> added;

    private Drivers(Optional<Path> folder) {
        this.folder = folder;
    }

    /** Those of the class path alone. */
    public static Drivers own() {
        return new Drivers(Optional.empty());
    }

    /** Those of the class path, and those of the archives in a folder, which may be missing; looked into when one is first needed. */
    public static Drivers with(Path folder) {
        return new Drivers(Optional.of(folder));
    }

    /**
     * The driver for an address.
     *
     * @param engine what it is a driver of, in words
     * @throws SourceException if there is none; says where one can be put
     */
    public Driver require(String url, String engine) {
        try {
            return DriverManager.getDriver(url);
        } catch (SQLException none) {
            return added().stream()
                    .filter(driver -> takes(driver, url))
                    .findFirst()
                    .orElseThrow(() -> new SourceException("The driver of " + engine
                            + " is not installed here. An administrator puts its archive into the folder \"drivers\" of the data"
                            + " folder, as the guide to sources says"));
        }
    }

    private static boolean takes(Driver driver, String url) {
        try {
            return driver.acceptsURL(url);
        } catch (SQLException e) {
            return false;
        }
    }

    /** An empty folder is looked into again: an archive may be put there while the server runs. */
    private synchronized List<Driver> added() {
        if (added == null || added.isEmpty()) {
            added = folder.map(Drivers::load).orElse(List.of());
        }
        return added;
    }

    private static List<Driver> load(Path folder) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            URL[] archives = files.filter(file -> file.toString().endsWith(".jar"))
                    .sorted()
                    .map(Drivers::url)
                    .toArray(URL[]::new);
            if (archives.length == 0) {
                return List.of();
            }
            // Open for as long as the server runs: the drivers load what they need when they need it.
            ClassLoader loader = new URLClassLoader(archives, Drivers.class.getClassLoader());
            List<Driver> drivers = new ArrayList<>();
            ServiceLoader.load(Driver.class, loader).stream()
                    .filter(found -> found.type().getClassLoader() == loader)
                    .forEach(found -> drivers.add(found.get()));
            return drivers;
        } catch (IOException e) {
            throw new SourceException("The drivers in " + folder.getFileName() + " could not be read", e);
        }
    }

    private static URL url(Path file) {
        try {
            return file.toUri().toURL();
        } catch (MalformedURLException e) {
            throw new IllegalStateException(e);
        }
    }
}
